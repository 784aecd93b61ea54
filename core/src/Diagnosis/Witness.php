<?php

declare(strict_types=1);

namespace Dithermic\Core\Diagnosis;

use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Quality\FlawMapResult;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Thread;

/**
 * What a run, its lots and its machine tell of a piece without anybody being asked: the signals of defects.json that
 * their logs hold. What is not known is left out, never guessed: an empty signal counts neither way.
 *
 * Ratios are what was done over what was planned; a spread of masses is the sample's standard deviation over its mean,
 * of the last five, as the signal's own text has it.
 */
final readonly class Witness
{
    /** checks of mass that a spread wants */
    private const SPREAD_OF = 5;

    /** judged pieces that a pattern wants */
    private const PATTERN_OF = 6;

    /**
     * @param  int|null  $piece  that is bad; null for a run that is one pass
     * @param  array<string, mixed>  $plan  the run's targets
     * @param  list<UsedLot>  $lots
     * @param  array<int, float>  $masses  weighed, g, by number of the piece, in order
     * @param  array<int, bool>  $bad  by number of the piece, of those that were judged, in order
     * @param  string|null  $polymerBefore  of the run before on the main machine; null where there was none
     * @param  array{made: int, life: float}|null  $mould  pieces made in it, and how many it should live
     * @param  FlawMapResult|null  $flaws  of the kind that this piece has, on its fellows too
     * @param  list<string>  $alarms  kinds of alarms that temperatures of its machine raised meanwhile
     */
    public function __construct(
        public Procedure $procedure,
        public RunState $state,
        public ?int $piece,
        public array $plan,
        public Polymer $polymer,
        public array $lots = [],
        public array $masses = [],
        public array $bad = [],
        public ?string $polymerBefore = null,
        public ?array $mould = null,
        public array $alarms = [],
        public ?FlawMapResult $flaws = null,
    ) {
    }

    /** @return list<KnownSignal> that tell the same in every process */
    public function tells(): array
    {
        return array_values(array_filter([
            $this->timed('heat', 'heat_time_ratio'),
            $this->timed('cool', 'cool_time_ratio'),
            $this->charge(),
            $this->spread(),
            $this->moisture(),
            $this->source(),
            $this->passes(),
            $this->pattern() ?? $this->places(),
            $this->place(),
            $this->mould(),
            $this->event(),
        ]));
    }

    public function thread(): Thread
    {
        return $this->state->thread($this->piece) ?? $this->state;
    }

    public function number(string $name): ?float
    {
        $value = $this->plan[$name] ?? null;

        return is_numeric($value) ? (float) $value : null;
    }

    /**
     * The newest values of an entry, of this piece where it was logged for a piece, else of the run.
     *
     * @return array<string, mixed>|null
     */
    public function logged(string $entry): ?array
    {
        $found = null;
        foreach ($this->state->entries as $one) {
            $ofThis = $one['piece'] === $this->piece || $one['piece'] === null;
            if ($one['entry'] === $entry && $ofThis) {
                $found = $one['values'];
            }
        }

        return $found;
    }

    /** What a piece was called in what is said of it. */
    public function of(): string
    {
        return $this->piece === null ? 'this run' : "{$this->procedure->pieceName()} {$this->piece}";
    }

    private function timed(string $kind, string $signal): ?KnownSignal
    {
        [$done, $planned] = [0.0, 0.0];
        foreach ($this->procedure->timers() as $timer) {
            $ran = $this->thread()->timers[$timer->id] ?? null;
            $minutes = $this->number($timer->minutes);
            if ($timer->kind !== $kind || $ran === null || $ran['answered_at'] === null || ($minutes ?? 0.0) <= 0.0) {
                continue;
            }
            $done += ($ran['answered_at'] - $ran['started_at']) / 60;
            $planned += $minutes;
        }

        return $planned > 0.0
            ? new KnownSignal($signal, round($done / $planned, 3), sprintf(
                '%s: %.1f min of %.1f planned',
                $this->of(),
                $done,
                $planned,
            ))
            : null;
    }

    private function charge(): ?KnownSignal
    {
        $wanted = $this->number('charge_mass_g');
        $entry = null;
        foreach ($this->procedure->steps() as $step) {
            foreach ($step->gates as $gate) {
                if ($gate->near === 'charge_mass_g' && $gate->entry !== null) {
                    $entry = $this->state->latest($gate->entry, $step->id, $this->piece) ?? $entry;
                }
            }
        }
        $mass = $entry['mass_g'] ?? null;

        return $wanted !== null && $wanted > 0.0 && is_numeric($mass)
            ? new KnownSignal('charge_ratio', round((float) $mass / $wanted, 4), sprintf(
                'the scale: %.1f g of %.1f',
                (float) $mass,
                $wanted,
            ))
            : null;
    }

    private function spread(): ?KnownSignal
    {
        $last = array_slice(array_values($this->masses), -self::SPREAD_OF);
        if (count($last) < self::SPREAD_OF) {
            return null;
        }
        $mean = array_sum($last) / count($last);
        $squares = array_sum(array_map(static fn (float $m): float => ($m - $mean) ** 2, $last));

        return $mean > 0.0
            ? new KnownSignal(
                'weight_cv_pct',
                round(100 * sqrt($squares / (count($last) - 1)) / $mean, 2),
                'the last five that were weighed',
            )
            : null;
    }

    private function moisture(): ?KnownSignal
    {
        if ($this->lots === []) {
            return null;
        }
        if (! $this->polymer->mustBeDried()) {
            return new KnownSignal(
                'moisture_state',
                'not_sensitive',
                "{$this->polymer->code} takes up no water that matters",
            );
        }
        $worst = null;
        foreach ($this->lots as $lot) {
            $state = match (true) {
                $lot->dry === false => ['not_dried', 2],
                $lot->dry === true => [$lot->checked ? 'dry_verified' : 'dried_unverified', $lot->checked ? 0 : 1],
                default => null,
            };
            if ($state === null) {
                return null;
            }
            $worst = $worst === null || $state[1] > $worst[1] ? [...$state, $lot->code] : $worst;
        }

        return new KnownSignal('moisture_state', $worst[0], "lot {$worst[2]}");
    }

    /** The least proven of its lots. */
    private function source(): ?KnownSignal
    {
        $worst = null;
        foreach ($this->lots as $lot) {
            $state = match ($lot->proven) {
                true => ['tests_passed', 0],
                false => ['failed_or_mixed', 1],
                null => null,
            };
            if ($state === null) {
                return null;
            }
            $worst = $worst === null || $state[1] > $worst[1] ? [...$state, $lot->code] : $worst;
        }

        return $worst === null ? null : new KnownSignal('source_state', $worst[0], "lot {$worst[2]}");
    }

    private function passes(): ?KnownSignal
    {
        $most = null;
        foreach ($this->lots as $lot) {
            $most = $most === null || $lot->generation > $most->generation ? $lot : $most;
        }

        return $most === null || $most->generation === 0
            ? null
            : new KnownSignal('reuse_passes', (float) $most->generation, "lot {$most->code}, counted here");
    }

    /** First parts only, or a sudden start: where it comes and goes is for eyes. */
    private function pattern(): ?KnownSignal
    {
        $bad = array_values($this->bad);
        $ran = count($bad);
        if ($ran < self::PATTERN_OF || ! in_array(true, $bad, true)) {
            return null;
        }
        $first = array_search(false, $bad, true);
        $counts = "of {$ran} that were judged";
        if ($first === false) {
            return null;
        }
        if ($first > 0 && $first <= $ran / 2 && ! in_array(true, array_slice($bad, $first), true)) {
            return new KnownSignal('defect_repeat', 'first parts only', "the first {$first} {$counts}");
        }
        $start = array_search(true, $bad, true);
        $since = array_slice($bad, (int) $start);
        if ($start >= self::PATTERN_OF / 2 && count($since) >= 2 && ! in_array(false, $since, true)) {
            return new KnownSignal('defect_repeat', 'sudden start', sprintf('the last %d %s', count($since), $counts));
        }
        if (count(array_filter($bad)) === 1) {
            return new KnownSignal('defect_repeat', 'one-off', "one {$counts}");
        }

        return null;
    }

    /** Whether the flaw is where it was on the parts before. */
    private function places(): ?KnownSignal
    {
        return $this->flaws?->repeat === null
            ? null
            : new KnownSignal('defect_repeat', $this->flaws->repeat, "the map of flaws: {$this->flaws->explanation}");
    }

    private function place(): ?KnownSignal
    {
        return $this->flaws?->where === null
            ? null
            : new KnownSignal('defect_place', $this->flaws->where, 'the map of flaws');
    }

    private function mould(): ?KnownSignal
    {
        return $this->mould === null || $this->mould['life'] <= 0.0
            ? null
            : new KnownSignal(
                'mould_shots_ratio',
                round($this->mould['made'] / $this->mould['life'], 3),
                sprintf('the mould: %d of %.0f', $this->mould['made'], $this->mould['life']),
            );
    }

    private function event(): ?KnownSignal
    {
        return in_array('low', $this->alarms, true)
            ? new KnownSignal('machine_event', 'heater_fault', 'an alarm in this run: a temperature fell too low')
            : null;
    }
}
