<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Material\MatterKind;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * May this run start? Blocks stop it; a block says who may override it, in writing. The ceilings, windows and dangerous
 * pairs are those of the polymer library (sources there). Judged is every polymer in play: the lots, what was found in
 * them and what the machine still holds (MaterialRules), then machine, mould, charge and people (MachineRules). What is
 * not given is not judged. It defers to the machine's manual, to local codes and to licensed trades.
 */
#[Calc(
    'safety.check',
    'may this run start: what blocks it, what to wear, what to confirm',
    size: 'settings.thickness_mm',
)]
final readonly class Check
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(CheckInput $in): CheckResult
    {
        $play = Play::of($in, $this->polymers);
        $blocks = [];
        foreach ([
            ...(new MaterialRules($this->polymers))->blocks($in, $play),
            ...(new MachineRules($this->polymers))->blocks($in, $play),
        ] as $block) {
            $blocks[$block->id.$block->because] = $block;
        }
        $blocks = array_values($blocks);
        $result = new CheckResult(
            $blocks,
            $this->cautions($in, $play),
            $this->ppe($in, $play),
            $this->acknowledgements($in),
        );

        return $result->explain(
            $blocks === [] ? 'Nothing stops this run.' : sprintf('Stopped: %s', $blocks[0]->because),
        );
    }

    /** @return list<Acknowledgement> */
    private function acknowledgements(CheckInput $in): array
    {
        $asked = [
            new Acknowledgement(
                'people_protected',
                'Eyes, hands, arms and feet covered: everybody at the machine.',
                $in->answers->people_protected,
            ),
            new Acknowledgement('air_moving', 'Extraction is on, or we are in the open air.', $in->answers->air_moving),
        ];

        return ! $in->process->hasBarrel() ? $asked : [
            ...$asked,
            new Acknowledgement('guard_closed', 'The guard is shut.', $in->answers->guard_closed),
            new Acknowledgement('nozzle_seated', 'The nozzle is seated.', $in->answers->nozzle_seated),
            new Acknowledgement(
                'pressure_relieved',
                'No pressure is left in barrel and drive.',
                $in->answers->pressure_relieved,
            ),
        ];
    }

    /** @return list<string> */
    private function cautions(CheckInput $in, Play $play): array
    {
        $cautions = [];
        foreach ($play->lots as $i => $polymer) {
            $cautions = [
                ...$cautions,
                ...$polymer->hazards(),
                ...$this->ofWindow($in, $polymer),
                ...$this->ofGas($polymer),
            ];
            foreach (array_slice($play->lots, $i + 1) as $other) {
                $cautions = [...$cautions, ...self::ofBlend($polymer, $other)];
            }
        }
        foreach ($play->found as [$word, $matter, $lot]) {
            $cautions[] = match ($matter?->kind) {
                MatterKind::Metal,
                MatterKind::Grit => "{$word} was found in {$in->lots[$lot]->name()}: it scratches plates and moulds and may fly out when cut. Look for more of it.",
                MatterKind::Fibre => "{$word} was found in {$in->lots[$lot]->name()}: it chars, and its water makes bubbles.",
                default => '',
            };
        }
        if ($in->process === Process::Compression) {
            $cautions[] = 'Hands out before the platens move. Never reach between them.';
        }
        if (
            $in->settings->sag_mm !== null
            && $in->settings->clearance_mm !== null
            && $in->settings->clearance_mm < $in->settings->sag_mm
        ) {
            $cautions[] = sprintf(
                'The hot sheet sags %.0f mm and has %.0f mm under it: it comes to lie on what is hot there.',
                $in->settings->sag_mm,
                $in->settings->clearance_mm,
            );
        }
        if ($in->answers->alone) {
            $cautions[] = 'Alone at hot work: tell somebody when you start and when you are done.';
        }
        $cautions[] = 'A strong smell is fume: check the temperature and the air.';
        $cautions[] = 'Keep to the machine\'s manual and to local codes. Electrical, gas, hydraulic and structural work is for licensed trades.';

        return array_values(array_unique(array_filter($cautions)));
    }

    /** @return list<string> */
    private function ofWindow(CheckInput $in, Polymer $polymer): array
    {
        $window = $polymer->process($in->process->value)
            ->range($in->process === Process::Compression ? 'platen_c' : 'melt_c');
        if ($window === null) {
            return [];
        }
        $usual = sprintf('the usual window of %s (%.0f to %.0f °C)', $polymer->code, $window->min, $window->max);

        return match (true) {
            $in->settings->set_c > $window->max => [sprintf(
                '%.0f °C is over %s: expect more fume and an older face.',
                $in->settings->set_c,
                $usual,
            )],
            $in->settings->set_c < $window->min => [sprintf(
                '%.0f °C is under %s: the middle may stay cold.',
                $in->settings->set_c,
                $usual,
            )],
            default => [],
        };
    }

    /** @return list<string> */
    private static function ofBlend(Polymer $a, Polymer $b): array
    {
        if ($a->code === $b->code || $a->dangerWith($b) !== null || $a->neverHot() || $b->neverHot()) {
            return [];
        }
        foreach ([[$a, $b], [$b, $a]] as [$one, $other]) {
            $harm = $one->harmedBy($other->code);
            if ($harm !== null) {
                return ["{$one->code} with {$other->code}: {$harm->why}."];
            }
        }

        return ($a->blendsWith($b->code) ?? $b->blendsWith($a->code) ?? 0.0) > 0
            ? []
            : ["{$a->code} with {$b->code}: nothing is known of how they go together. Try a little first."];
    }

    /** @return list<string> */
    private function ofGas(Polymer $polymer): array
    {
        return $polymer->givesFormaldehyde()
            ? [
                'No usual mask stops formaldehyde: at the first sharp smell switch off, leave the room and let it air.',
            ] : [];
    }

    /** @return list<string> */
    private function ppe(CheckInput $in, Play $play): array
    {
        $ppe = ['eye protection', 'hot gloves', 'long sleeves', 'closed shoes'];
        if ($in->process->hasBarrel()) {
            $ppe[] = 'face shield at the nozzle';
        }
        foreach ($play->lots as $polymer) {
            if ($polymer->givesOrganicVapour()) {
                $ppe[] = 'mask for organic vapour, where the extraction does not take all of it';
            }
        }

        return array_values(array_unique($ppe));
    }
}
