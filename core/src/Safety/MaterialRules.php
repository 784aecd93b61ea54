<?php

declare(strict_types=1);

namespace Dithermic\Core\Safety;

use Dithermic\Core\Heat\Dwell\Budget;
use Dithermic\Core\Heat\Dwell\BudgetInput;
use Dithermic\Core\Heat\Dwell\Stay;
use Dithermic\Core\Heat\Dwell\Verdict;
use Dithermic\Core\Material\MaterialInput;
use Dithermic\Core\Material\MatterKind;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;

/** What stops a run because of what gets hot in it: every polymer in play by itself, and each against the others. */
final readonly class MaterialRules
{
    private const BARREL_FORMS = ['flake', 'pellet', 'regrind', 'densified film', 'strip', 'bar'];

    private const PRESS_FORMS = [...self::BARREL_FORMS, 'sheet', 'offcut'];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    /** @return list<string> forms in which a process takes its material */
    public static function formsOf(Process $process): array
    {
        return match (true) {
            $process === Process::VacuumForming => ['sheet'],
            $process->hasBarrel() => self::BARREL_FORMS,
            default => self::PRESS_FORMS,
        };
    }

    /** @return list<Block> */
    public function blocks(CheckInput $in, Play $play): array
    {
        $blocks = [];
        foreach ($in->lots as $i => $lot) {
            $blocks = [...$blocks, ...$this->ofLot($in, $lot, $play->lots[$i])];
        }
        foreach ($play->found as [$word, $matter, $i]) {
            $name = $in->lots[$i]->name();
            $blocks = [...$blocks, ...array_filter([match (true) {
                $matter === null => new Block(
                    'found_unknown',
                    "\"{$word}\" was found in {$name}, and nobody knows what that is.",
                    Block::NOBODY,
                    'Name what it is, or sort it out and look through a new sample.',
                ),
                $matter->kind === MatterKind::Metal, $matter->kind === MatterKind::Grit => $in->process->hasBarrel()
                    ? new Block(
                        'metal',
                        "{$word} was found in {$name}: it breaks screws, plungers and barrels.",
                        Block::NOBODY,
                        'Sort it out, pass it over a magnet, look through a new sample.',
                    ) : null,
                default => null,
            }])];
        }
        foreach ($play->beside($in) as [$polymer, $where, $inPlace]) {
            $blocks = [...$blocks, ...$this->ofBeside($in, $play, $polymer, $where, $inPlace)];
        }

        return [...$blocks, ...$this->ofPairs($in, $play)];
    }

    /** @return list<Block> */
    private function ofLot(CheckInput $in, LotFacts $lot, Polymer $polymer): array
    {
        if ($polymer->neverHot()) {
            return [self::neverHot($polymer, $lot->name().' is', form: $lot->form)];
        }
        $blocks = [];
        $set = $in->settings->set_c;
        $ceiling = $polymer->ceiling();
        if ($ceiling !== null && $set > $ceiling) {
            $blocks[] = new Block(
                'above_ceiling',
                sprintf(
                    '%.0f °C is above the ceiling of %.0f °C for %s: %s.',
                    $set,
                    $ceiling,
                    $polymer->code,
                    $polymer->breakdownProducts(),
                ),
                Block::LEAD,
                sprintf('Set %.0f °C or lower.', $ceiling),
            );
        }
        $blocks = [...$blocks, ...$this->ofCold($in, $polymer, $lot->name()), ...$this->ofDwell($in, $polymer)];
        $why = $polymer->whyNot($in->process->value);
        if ($why !== null) {
            $gas = $polymer->gasWarning();
            $blocks[] = new Block(
                'process_unfit',
                "{$polymer->code} in this process: {$why}",
                $gas === null ? Block::LEAD : Block::NOBODY,
                'Choose another process or another polymer.',
            );
        }
        $forms = self::formsOf($in->process);
        if ($lot->form !== null && ! in_array($lot->form, $forms, true)) {
            $blocks[] = new Block(
                'form_unfit',
                "{$lot->name()} is {$lot->form}: this process takes ".implode(', ', $forms).'.',
                Block::NOBODY,
                match (true) {
                    $in->process === Process::VacuumForming => 'Take a lot of sheet.',
                    $lot->form === 'film' => 'Densify and dry it first: loose film bridges over the feed, and its air and water become pores.',
                    default => 'Shred it first, or take another lot.',
                },
            );
        }
        if ($polymer->mustBeDried() && ! $lot->dry_state->isDry()) {
            $blocks[] = new Block(
                'moist',
                "{$lot->name()} takes up water and is not known to be dry: bubbles, splay, weak parts.",
                Block::LEAD,
                'Dry it first.',
            );
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
     * What was found in a lot, or was in the machine before.
     *
     * @return list<Block>
     */
    private function ofBeside(CheckInput $in, Play $play, Polymer $polymer, string $where, bool $inPlace): array
    {
        if ($polymer->neverHot()) {
            $id = $inPlace ? null : 'contaminated';

            return [self::neverHot($polymer, "{$where} is", $id)];
        }
        $blocks = [];
        $dangerous = array_filter(
            $play->lots,
            static fn (Polymer $lot): bool => $lot->dangerWith($polymer) !== null,
        ) !== [];
        $ceiling = $polymer->ceiling();
        // Of what is in the lots as well, the lot's own block has said it.
        if ($ceiling !== null && $in->settings->set_c > $ceiling && ! in_array($polymer, $play->lots, true)) {
            $who = $dangerous || $polymer->breaksDownViolently() ? Block::NOBODY : Block::LEAD;
            $do = $inPlace && $in->process->hasBarrel()
                ? 'Purge it out at a heat that both stand: see changeover.purge.'
                : 'Sort it out or clean it off, or set less heat.';
            $blocks[] = new Block(
                'above_ceiling',
                sprintf(
                    '%s (%s) stands %.0f °C at the most, and this runs at %.0f °C: %s.',
                    $polymer->code,
                    $where,
                    $ceiling,
                    $in->settings->set_c,
                    $polymer->breakdownProducts(),
                ),
                $who,
                $do,
            );
        }

        return $inPlace ? [...$blocks, ...$this->ofCold($in, $polymer, "{$polymer->code}, {$where},")] : $blocks;
    }

    /**
     * A screw or plunger pushed against solid polymer breaks, or throws it out.
     *
     * @return list<Block>
     */
    private function ofCold(CheckInput $in, Polymer $polymer, string $name): array
    {
        $least = $in->process->hasBarrel() ? $polymer->meltWindow($in->process->value)?->min : null;

        return $least === null || $in->settings->set_c >= $least - 1e-9 ? [] : [new Block(
            'too_cold',
            sprintf(
                '%s is solid or near it at %.0f °C: the barrel needs at least %.0f °C before anything is pushed.',
                ucfirst($name),
                $in->settings->set_c,
                $least,
            ),
            Block::NOBODY, sprintf('Set %.0f °C or more, or take another route: see changeover.purge.', $least),
        )];
    }

    /** @return list<Block> */
    private function ofDwell(CheckInput $in, Polymer $polymer): array
    {
        if ($in->settings->minutes_hot === null || ($polymer->minutesAtCeiling() ?? 0.0) <= 0) {
            return [];
        }
        $budget = (new Budget($this->polymers))(new BudgetInput(
            new MaterialInput($polymer->code),
            [new Stay($in->settings->minutes_hot, $in->settings->set_c)],
        ));

        return $budget->verdict !== Verdict::Over ? [] : [new Block(
            'dwell',
            sprintf(
                '%s stands %.0f °C for less than %.0f min: it breaks down (%s).',
                $polymer->code,
                $in->settings->set_c,
                $in->settings->minutes_hot,
                $polymer->breakdownProducts(),
            ),
            Block::LEAD, 'Less heat, a smaller load of the barrel, or purge it out before.',
        )];
    }

    /** @return list<Block> */
    private function ofPairs(CheckInput $in, Play $play): array
    {
        $blocks = [];
        foreach ($play->lots as $i => $a) {
            foreach (array_slice($play->lots, $i + 1) as $b) {
                $why = $a->dangerWith($b);
                if ($why !== null) {
                    $blocks[] = new Block(
                        'dangerous_mix',
                        "{$a->code} and {$b->code} together: {$why}.",
                        Block::NOBODY,
                        'Keep them apart.',
                    );
                }
            }
            foreach ($play->found as [, $matter, $lot]) {
                $why = $matter?->polymer === null || $matter->polymer->neverHot()
                    ? null
                    : $a->dangerWith($matter->polymer);
                if ($why !== null && $matter !== null) {
                    $blocks[] = new Block(
                        'contaminated',
                        "{$matter->name} was found in {$in->lots[$lot]->name()}: with {$a->code} {$why}.",
                        Block::NOBODY,
                        'Sort it out and look through a new sample, or throw it away.',
                    );
                }
            }
        }
        if ($play->last === null) {
            return $blocks;
        }
        $met = array_map(static fn (Polymer $lot): array => [$lot, ''], $play->lots);
        foreach ($play->found as [, $matter, $lot]) {
            // What must stay cold has its own block already, whatever was here before it.
            if ($matter?->polymer !== null && ! $matter->polymer->neverHot()) {
                $met[] = [$matter->polymer, " (found in {$in->lots[$lot]->name()})"];
            }
        }
        foreach ($met as [$polymer, $where]) {
            $why = $polymer->dangerWith($play->last);
            if ($why !== null) {
                $blocks[] = $in->process->hasBarrel()
                    ? new Block(
                        'dangerous_barrel',
                        "{$play->last->code} is still in the barrel: with {$polymer->code}{$where} {$why}.",
                        Block::NOBODY,
                        'Purge through a stable polymer first.',
                    )
                    : new Block(
                        'dangerous_machine',
                        "{$play->last->code} was last on this machine: with {$polymer->code}{$where} {$why}.",
                        Block::NOBODY,
                        'Clean it, and say that it is clean, before this goes on.',
                    );
            }
        }

        return $blocks;
    }

    private static function neverHot(Polymer $polymer, string $what, ?string $id = null, ?string $form = null): Block
    {
        $what = ucfirst($what);

        return match (true) {
            $polymer->isPvc() => new Block(
                $id ?? 'pvc',
                "{$what} PVC: it gives off hydrogen chloride when hot, which harms lungs and eats steel.",
                Block::NOBODY,
                'Keep it cold. Pass it to a PVC recycler.',
            ),
            $polymer->code === 'OTHER' => new Block(
                $id ?? 'unidentified_polymer',
                "{$what} none of the polymers that are heated here: it does not melt, or gives off gas before it does.",
                Block::NOBODY,
                'Keep it out of the heat.',
            ),
            $form === 'film', $form === 'densified film' => new Block(
                $id ?? 'unidentified_polymer',
                "{$what} film of nobody knows what: films look alike, many are several polymers in one, and heated together they part"
                    .' again, smoke, and block a screen.',
                Block::NOBODY,
                'It is no production material. Ask its source for one kind at a time, sort out by feel, float and flame what can be'
                    .' proven one polymer, densify and dry that; the rest goes to who takes mixed film, or stays cold.',
            ),
            default => new Block(
                $id ?? 'unidentified_polymer',
                "{$what} not identified: nobody knows what it gives off or when it melts.",
                Block::NOBODY,
                'Sort it and prove it, or keep it out of the heat.',
            ),
        };
    }
}
