<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * May this run start? Blocks stop it; a block says who may override it, in writing. The ceilings, windows and dangerous
 * pairs are those of the polymer library (sources there); the order of blocks is the order of their danger. It defers to
 * the machine's manual, to local codes and to licensed trades.
 */
#[Calc('safety.check', 'may this run start: what blocks it, what to wear, what to confirm')]
final readonly class Check
{
    private const PVC = ['PVC-U'];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(CheckInput $in): CheckResult
    {
        $polymers = [];
        foreach ($in->lots as $index => $lot) {
            $polymers[] = $this->polymers->get($lot->polymer, "lots.{$index}.polymer");
        }
        $last = $in->machine->last_polymer === null ? null : $this->polymers->get($in->machine->last_polymer, 'machine.last_polymer');

        $blocks = [];
        foreach ($in->lots as $i => $lot) {
            $blocks = [...$blocks, ...$this->ofLot($in, $lot, $polymers[$i])];
        }
        $blocks = [...$blocks, ...$this->ofPairs($in, $polymers, $last)];
        if ($in->machine->max_c !== null && $in->settings->set_c > $in->machine->max_c) {
            $blocks[] = new Block('machine_limit', sprintf('%.0f °C is above what %s may be set to (%.0f °C).', $in->settings->set_c, $in->machine->name ?? 'the machine', $in->machine->max_c), Block::NOBODY, 'Lower the set-point.');
        }
        if (! $in->answers->people_protected) {
            $blocks[] = new Block('people_unprotected', 'Nobody has confirmed that everybody at the machine is protected.', Block::NOBODY, 'Eyes, hot gloves, sleeves, closed shoes. Then confirm.');
        }
        if (! $in->answers->air_moving) {
            $blocks[] = new Block('no_air', 'Nobody has confirmed that the air is moving.', Block::NOBODY, 'Switch the extraction on or work in the open. Then confirm.');
        }
        $seen = [];
        $blocks = array_values(array_filter($blocks, static function (Block $b) use (&$seen): bool {
            $new = ! isset($seen[$b->id.$b->because]);
            $seen[$b->id.$b->because] = true;

            return $new;
        }));

        $result = new CheckResult($blocks, $this->cautions($in, $polymers), self::ppe($in->process, $polymers), [
            new Acknowledgement('people_protected', 'Eyes, hands, arms and feet covered: everybody at the machine.', $in->answers->people_protected),
            new Acknowledgement('air_moving', 'Extraction is on, or we are in the open air.', $in->answers->air_moving),
        ]);

        return $result->explain($blocks === [] ? 'Nothing stops this run.' : sprintf('Stopped: %s', $blocks[0]->because));
    }

    /** @return list<Block> */
    private function ofLot(CheckInput $in, LotFacts $lot, Polymer $polymer): array
    {
        $blocks = [];
        if ($polymer->morphology() === null) {
            return [new Block('unidentified_polymer', "{$lot->name()} is not identified: nobody knows what it gives off or when it melts.", Block::NOBODY, 'Sort it and prove it, or keep it out of the heat.')];
        }
        if (in_array($polymer->code, self::PVC, true)) {
            return [new Block('pvc', "{$lot->name()} is PVC: it gives off hydrogen chloride when hot, which harms lungs and eats steel.", Block::NOBODY, 'Keep it cold. Pass it to a PVC recycler.')];
        }
        foreach ($lot->found as $code) {
            $why = in_array($code, self::PVC, true) ? 'it gives off hydrogen chloride when hot' : ($this->polymers->has($code) ? self::danger($polymer, $this->polymers->get($code)) : null);
            if ($why !== null) {
                $blocks[] = new Block('contaminated', "{$code} was found in {$lot->name()}: {$why}.", Block::NOBODY, 'Sort it out and look through a new sample, or throw it away.');
            }
        }
        $ceiling = $polymer->ceiling();
        if ($ceiling !== null && $in->settings->set_c > $ceiling) {
            $products = (string) ($polymer->record['degradation_c']['products'] ?? 'fume');
            $blocks[] = new Block('above_ceiling', sprintf('%.0f °C is above the ceiling of %.0f °C for %s: %s.', $in->settings->set_c, $ceiling, $polymer->code, $products), Block::LEAD, sprintf('Set %.0f °C or lower.', $ceiling));
        }
        $why = $polymer->whyNot($in->process->value);
        if ($why !== null) {
            $gas = $polymer->record['flame_or_gas_warning'] ?? null;
            $blocks[] = new Block('process_unfit', "{$polymer->code} in this process: {$why}", $gas === null ? Block::LEAD : Block::NOBODY, 'Choose another process or another polymer.');
        }
        if ($polymer->mustBeDried() && ! $lot->dry_state->isDry()) {
            $blocks[] = new Block('moist', "{$lot->name()} takes up water and is not known to be dry: bubbles, splay, weak parts.", Block::LEAD, 'Dry it first.');
        }
        if (! $in->scale->allows($lot->source_state)) {
            $blocks[] = new Block('source_not_accepted', match ($lot->source_state) {
                SourceState::OnTrial => "The source of {$lot->name()} is on trial: only a small trial may use it.",
                SourceState::FullTrialPassed => "The source of {$lot->name()} has passed its trials and is not accepted yet: a lead accepts it.",
                default => "The source of {$lot->name()} has passed a small trial only: a full-size trial comes next.",
            }, Block::LEAD, 'Run the trial, or take a lot of an accepted source.');
        }

        return $blocks;
    }

    /**
     * @param  list<Polymer>  $polymers
     * @return list<Block>
     */
    private function ofPairs(CheckInput $in, array $polymers, ?Polymer $last): array
    {
        $blocks = [];
        foreach ($polymers as $i => $a) {
            foreach (array_slice($polymers, $i + 1) as $b) {
                $why = self::danger($a, $b);
                if ($why !== null) {
                    $blocks[] = new Block('dangerous_mix', "{$a->code} and {$b->code} together: {$why}.", Block::NOBODY, 'Keep them apart.');
                }
            }
            $why = $last === null || ! $in->process->hasBarrel() ? null : self::danger($a, $last);
            if ($why !== null && $last !== null) {
                $blocks[] = new Block('dangerous_barrel', "{$last->code} is still in the barrel: with {$a->code} {$why}.", Block::NOBODY, 'Purge through a stable polymer first.');
            }
        }

        return $blocks;
    }

    private static function danger(Polymer $a, Polymer $b): ?string
    {
        foreach ([[$a, $b], [$b, $a]] as [$one, $other]) {
            foreach ($one->record['incompatible_with'] ?? [] as $pair) {
                if ($pair['code'] === $other->code && $pair['severity'] === 'dangerous') {
                    return (string) $pair['why'];
                }
            }
        }

        return null;
    }

    /**
     * @param  list<Polymer>  $polymers
     * @return list<string>
     */
    private function cautions(CheckInput $in, array $polymers): array
    {
        $cautions = [];
        foreach ($polymers as $i => $polymer) {
            $cautions = [...$cautions, ...$polymer->hazards()];
            $window = $polymer->process($in->process->value)[$in->process === Process::Compression ? 'platen_c' : 'melt_c'] ?? null;
            if (is_array($window) && $in->settings->set_c > $window['max']) {
                $cautions[] = sprintf('%.0f °C is over the usual window of %s (%.0f to %.0f °C): expect more fume and an older face.', $in->settings->set_c, $polymer->code, $window['min'], $window['max']);
            }
            if (is_array($window) && $in->settings->set_c < $window['min']) {
                $cautions[] = sprintf('%.0f °C is under the usual window of %s (%.0f to %.0f °C): the middle may stay cold.', $in->settings->set_c, $polymer->code, $window['min'], $window['max']);
            }
            foreach (array_slice($polymers, $i + 1) as $other) {
                foreach ($polymer->record['incompatible_with'] ?? [] as $pair) {
                    if ($pair['code'] === $other->code && $pair['severity'] !== 'dangerous') {
                        $cautions[] = "{$polymer->code} with {$other->code}: {$pair['why']}.";
                    }
                }
            }
        }
        if ($in->process === Process::Compression) {
            $cautions[] = 'Hands out before the platens move. Never reach between them.';
        }
        $cautions[] = 'A strong smell is fume: check the temperature and the air.';
        $cautions[] = 'Keep to the machine\'s manual and to local codes. Electrical, gas, hydraulic and structural work is for licensed trades.';

        return array_values(array_unique($cautions));
    }

    /**
     * @param  list<Polymer>  $polymers
     * @return list<string>
     */
    private static function ppe(Process $process, array $polymers): array
    {
        $ppe = ['eye protection', 'hot gloves', 'long sleeves', 'closed shoes'];
        if ($process->hasBarrel()) {
            $ppe[] = 'face shield at the nozzle';
        }
        foreach ($polymers as $polymer) {
            if (($polymer->record['flame_or_gas_warning'] ?? null) !== null) {
                $ppe[] = 'mask for organic vapour';
            }
        }

        return array_values(array_unique($ppe));
    }
}
