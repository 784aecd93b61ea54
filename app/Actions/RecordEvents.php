<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Inspection;
use App\Models\Lot;
use App\Models\LotMovement;
use App\Models\Run;
use App\Models\RunEvent;
use App\Models\User;
use App\Support\Places;
use App\Support\ShopClock;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Quality\PorosityResult;
use Dithermic\Core\Quality\ThicknessGridResult;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Illuminate\Support\Facades\DB;

/**
 * Adds entries to a run's log, each once however often it is sent, in the order sent, and lets the lot's ledger, the
 * inspection and the list follow. Entries that the core refuses are answered with the reason; the others are stored.
 */
final readonly class RecordEvents
{
    /** a sender's clock may run this far ahead, s */
    private const AHEAD_S = 10.0;

    public function __construct(
        private Registry $calculations,
        private PolymerLibrary $polymers,
        private Places $places,
        private ShopClock $clock,
    ) {
    }

    /**
     * @param  list<array{event: Event, by: User|null}>  $incoming  by is null where the author is not proved
     * @return array{stored: list<string>, refused: list<array{key: string, error: InputError}>}
     */
    public function __invoke(Run $run, array $incoming): array
    {
        return DB::transaction(function () use ($run, $incoming): array {
            // Two screens writing to one run take turns here.
            Run::query()->whereKey($run->id)->lockForUpdate()->firstOrFail();
            $run->refresh()->load(['events.by', 'procedureVersion', 'lot']);
            $machine = $run->machineOfState();
            $state = $run->state();
            $seq = (int) $run->events->max('seq');
            $known = $run->events->keyBy('key')->all();
            $stored = [];
            $refused = [];
            foreach ($incoming as ['event' => $event, 'by' => $by]) {
                if (isset($state->keys[$event->key])) {
                    $before = $known[$event->key] ?? null;
                    if ($before !== null && ($before->type !== $event->type || $before->data != $event->data)) {
                        $refused[] = [
                            'key' => $event->key,
                            'error' => new InputError(
                                'key',
                                'was used before for another entry: this one was not stored, send it with a new one',
                            ),
                        ];
                    } else {
                        $stored[] = $event->key;
                    }

                    continue;
                }
                try {
                    if ($by === null) {
                        throw new InputError(
                            'by_id',
                            'names somebody who was not signed in on this screen then: that person enters it',
                        );
                    }
                    $error = $this->refusesTime($run, $event) ?? $machine
                        ->refuses($state, $event) ?? $this
                        ->refusesPlace($run, $machine, $state, $event);
                    if ($error !== null) {
                        throw $error;
                    }
                    DB::transaction(fn () => $this->effects($run, $machine->procedure, $state, $event, $by));
                } catch (InputError $error) {
                    $refused[] = ['key' => $event->key, 'error' => $error];

                    continue;
                }
                $known[$event->key] = RunEvent::query()->create([
                    'run_id' => $run->id,
                    'seq' => ++$seq,
                    'key' => $event->key,
                    'type' => $event->type,
                    'at' => self::moment($event->at),
                    'by_id' => $by->id, 'data' => $event->data, 'recorded_at' => CarbonImmutable::now(),
                ]);
                $machine->apply($state, $event);
                $this->remodel($run, $machine->procedure, $state, $event);
                $stored[] = $event->key;
            }
            $this->places->keep($run, $machine->procedure, $state);
            $run->fill([
                'status' => $state->status,
                'step' => $state->step,
                'ended_at' => $state->endedAt === null ? null : self::moment($state->endedAt),
            ])->save();

            return ['stored' => $stored, 'refused' => $refused];
        });
    }

    public static function moment(float $at): CarbonImmutable
    {
        return CarbonImmutable::createFromTimestampMsUTC((int) round(1000 * $at));
    }

    /**
     * The picture of what is inside follows what really happened: when a heating step ends early or late, the cold half
     * of the model's curve starts from there. The log and the plan stay as they are.
     */
    private function remodel(Run $run, Procedure $procedure, RunState $state, Event $event): void
    {
        $timer = $event->type === EventType::StepDone
            ? ($procedure->step((string) $event->text('step'))->timer ?? null)
            : null;
        if (
            $timer === null
            || ($procedure->timer($timer)->kind ?? '') !== 'heat'
            || ! isset($run->setup['heat_input'], $state->timers[$timer])
        ) {
            return;
        }
        $minutes = ($event->at - $state->timers[$timer]['started_at']) / 60;
        if ($minutes < 0.2) {
            return;
        }
        $cycle = $this->calculations->run(
            'heat.press_cycle',
            ['transfer_min' => $minutes, 'with_profile' => true] + (array) $run->setup['heat_input'],
        );
        assert($cycle instanceof PressCycleResult);
        $run->setup = [
            'curve' => $cycle->curve,
            'turn_min' => $minutes,
            'model' => [
                'cool_min' => $cycle->cool_min,
                'cold_platen_end_c' => $cycle->cold_platen_end_c,
            ] + $run->setup['model'],
        ] + $run->setup;
    }

    private function refusesTime(Run $run, Event $event): ?InputError
    {
        return match (true) {
            $event->at > $this->clock->now() + self::AHEAD_S => new InputError(
                'at',
                'is in the future: check this device\'s clock',
            ),
            $event->at < (float) $run->started_at->format('U.v') - self::AHEAD_S => new InputError(
                'at',
                'is before the run started',
            ),
            default => null,
        };
    }

    /** One sheet per cold press: the second one heats the first and marks it. */
    private function refusesPlace(Run $run, RunMachine $machine, RunState $state, Event $event): ?InputError
    {
        if ($event->type !== EventType::StepDone || $run->cold_machine_id === null) {
            return null;
        }
        $step = $machine->procedure->step((string) $event->text('step'));
        $enters = $step !== null && $step->place !== 'cold' && $machine->procedure->after($step)?->place === 'cold';
        $run->loadMissing('coldMachine');
        $holder = $enters && $run->coldMachine !== null ? $this->places->holder($run->coldMachine, $run->id) : null;

        return $holder === null || $event->text('reason') !== null ? null
            : new InputError(
                'data.reason',
                "{$run->coldMachine?->name} still holds the sheet of run {$holder->number}: two sheets in one press mark and bend each other. Use another press, or give a reason",
            );
    }

    private function effects(Run $run, Procedure $procedure, RunState $state, Event $event, User $by): void
    {
        if ($event->type !== EventType::Logged && $event->type !== EventType::Corrected) {
            return;
        }
        $original = $event->type === EventType::Corrected ? $state->entries[(string) $event->text('event')] : null;
        $entry = $original['entry'] ?? (string) $event->text('entry');
        $values = array_merge($original['values'] ?? [], $event->data['values'] ?? []);
        match ($procedure->entry($entry)->effect ?? null) {
            'draw_lot' => $this->draw(
                $run,
                $event,
                $by,
                (float) $values['mass_g'],
                $original === null ? 0.0 : (float) $original['values']['mass_g'],
            ),
            'inspect' => $this->inspect($run, $event, $values),
            'dispose' => $run->fill([
                'verdict' => $values['verdict'],
                'scrap_reason' => $values['verdict'] === 'scrap' ? ($values['reason'] ?? null) : null,
            ]),
            default => null,
        };
    }

    private function draw(Run $run, Event $event, User $by, float $mass, float $before): void
    {
        if ($run->charge_id !== null) {
            // It came off its lots at the scale already; what is read here is what goes in.
            $run->fill(['charged_g' => round($mass, 3)]);

            return;
        }
        $lot = Lot::query()->whereKey($run->lot_id)->lockForUpdate()->firstOrFail();
        $held = (float) LotMovement::query()->where('lot_id', $lot->id)->sum('mass_g');
        $change = $before - $mass;
        if ($held + $change < -1e-6) {
            throw new InputError('data.values.mass_g', sprintf('lot %s holds only %.0f g', $lot->code, $held));
        }
        LotMovement::query()->create([
            'lot_id' => $lot->id,
            'mass_g' => round($change, 3),
            'kind' => $event->type === EventType::Corrected ? LotMovement::CORRECTED : LotMovement::DRAWN,
            'reason' => $event->text('reason') ?? "run {$run->number}",
            'run_id' => $run->id,
            'event_key' => $event->key,
            'by_id' => $by->id,
            'at' => self::moment($event->at),
        ]);
        $run->fill(['charged_g' => round($mass, 3)]);
    }

    /** @param  array<string, mixed>  $values */
    private function inspect(Run $run, Event $event, array $values): void
    {
        try {
            $grid = $this->calculations->run('quality.thickness_grid', [
                'points' => $values['points'],
                'nominal_mm' => $run->plan['nominal_mm'],
                'tolerance_mm' => $run->plan['thickness_tolerance_mm'],
            ]);
            assert($grid instanceof ThicknessGridResult);
            $porosity = $this->calculations->run('quality.porosity', [
                'mass_g' => $values['mass_g'],
                'length_mm' => $run->plan['length_mm'],
                'width_mm' => $run->plan['width_mm'],
                'mean_thickness_mm' => $grid->mean,
                'density_g_cm3' => $this->polymers->get($run->lot->polymer)->property('density_g_cm3'),
            ]);
            assert($porosity instanceof PorosityResult);
        } catch (InputError $error) {
            throw $error->under('data.values');
        }
        Inspection::query()->create([
            'run_id' => $run->id,
            'event_key' => $event->key,
            'mass_g' => $values['mass_g'],
            'mean_mm' => $grid->mean,
            'range_mm' => $grid->range_mm,
            'bow_mm' => $grid->bow_mm,
            'porosity_pct' => $porosity->porosity_pct,
            'result' => [
                'grid' => $grid,
                'porosity' => $porosity,
                'points' => $values['points'],
                'mass_g' => $values['mass_g'],
            ],
            'at' => self::moment($event->at),
        ]);
    }
}
