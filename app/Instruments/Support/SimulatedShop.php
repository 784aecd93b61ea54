<?php

declare(strict_types=1);

namespace App\Instruments\Support;

use App\Instruments\Models\Channel;
use App\Runs\Actions\Order;
use App\Runs\Actions\PlanRun;
use App\Runs\Models\Run;
use App\Runs\Models\RunStation;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use Dithermic\Core\Instrument\Unit;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Fault;
use Dithermic\Core\Practice\Plant;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Run\RunState;

/**
 * What the instruments of the shop's machines would read now: of a machine in a run by the plant of its process, under
 * a truth of its own; of one that is not, what it has left.
 */
final class SimulatedShop
{
    /** a machine that nobody heats is at a third of what it was after so long, s */
    private const COOLS_S = 1800.0;

    private const ROOM_C = 20.0;

    /** a machine that is in no run is read this often, s */
    private const IDLE_S = 60.0;

    /** @var array<string, Plant|null> by run */
    private array $plants = [];

    /** @var array<string, float> when a run was last read */
    private array $readTo = [];

    /** @var array<int, float> when a machine was last read while in no run */
    private array $idleAt = [];

    /**
     * @param  array<string, list<string>>  $channels  that are simulated, by machine
     * @param  array<string, list<array{0: Fault, 1: float, 2?: float}>>  $faults  since when, and until when, by machine
     */
    public function __construct(
        private readonly PlanRun $plan,
        private readonly Processes $processes,
        private readonly PolymerLibrary $polymers,
        private readonly array $channels,
        private array $faults,
    ) {
    }

    public function goesWrong(string $machine, Fault $fault, float $from, float $to): void
    {
        $this->faults[$machine][] = [$fault, $from, $to];
    }

    /** @return array<string, list<array{machine: string, channel: string, value: float, at: float}>> by machine */
    public function read(float $every): array
    {
        $now = Seconds::now();
        $read = [];
        $busy = [];
        $runs = Run::query()->where('status', RunState::RUNNING)
            ->with(['events.by', 'stations.machine', 'product', 'recipe', 'procedureVersion'])
            ->get();
        foreach ($runs as $run) {
            $held = $run->stations->filter(
                static fn (RunStation $s): bool => $s->from_at !== null && $s->to_at === null,
            );
            foreach ($held as $station) {
                $busy[] = $station->machine_id;
            }
            array_push($read, ...$this->ofRun($run, $now, $every));
        }
        $this->readTo = array_intersect_key($this->readTo, $runs->keyBy('id')->all());
        $this->plants = array_intersect_key($this->plants, $runs->keyBy('id')->all());
        array_push($read, ...$this->idle($busy, $now));
        $byMachine = [];
        foreach ($read as $row) {
            $value = in_array($row['channel'], $this->channels[$row['machine']] ?? [], true)
                ? $this->wrong($row)
                : null;
            if ($value !== null) {
                $byMachine[$row['machine']][] = ['value' => round($value, 2)] + $row;
            }
        }

        return $byMachine;
    }

    /** @return list<array{machine: string, channel: string, value: float, at: float}> */
    private function ofRun(Run $run, float $now, float $every): array
    {
        $plant = $this->plants[$run->id] ??= $this->plant($run);
        $from = $this->readTo[$run->id] ?? $now - $every;
        $this->readTo[$run->id] = $now;
        $main = $this->processes->get($run->product->process)->main()->id;
        $rows = [];
        foreach ($plant?->live($run->state(), $from, $now) ?? [] as $r) {
            // The place of an instrument is a role of the run, or a part of the main machine.
            $machine = $run->machineAs($r['place']) ?? $run->machineAs($main);
            if ($machine !== null && $r['at'] <= $now) {
                $rows[] = [
                    'machine' => $machine->name,
                    'channel' => $r['channel'],
                    'value' => $r['value'],
                    'at' => $r['at'],
                ];
            }
        }

        return $rows;
    }

    /** The machine of a run as it was planned; null where its process has none. */
    public function plant(Run $run): ?Plant
    {
        $process = $this->processes->get($run->product->process);
        $settings = array_filter((array) ($run->setup['settings'] ?? []), is_numeric(...));
        $order = new Order(
            $process,
            $run->product,
            $run->stations->mapWithKeys(static fn (RunStation $s): array => [$s->role => $s->machine])->all(),
            $run->recipe,
            $settings,
            $run->choices,
            polymer: $run->polymer,
        );
        $main = $run->mainMachine();

        return $process->plant(
            $order->job(),
            ($this->plan)($order)->plan,
            $this->polymers->get($run->polymer),
            new Dice(crc32($main->name)),
            new Dice(crc32($run->id)),
        );
    }

    /**
     * @param  list<int>  $busy  machines that are in a run
     * @return list<array{machine: string, channel: string, value: float, at: float}>
     */
    private function idle(array $busy, float $now): array
    {
        $rows = [];
        $machines = Machine::query()->whereIn('name', array_keys($this->channels))->whereKeyNot($busy)->get();
        $channels = Channel::query()->whereIn('machine_id', $machines->modelKeys())->get()->groupBy('machine_id');
        foreach ($machines as $machine) {
            $since = $now - ($this->idleAt[$machine->id] ?? 0.0);
            if ($since < self::IDLE_S) {
                continue;
            }
            $this->idleAt[$machine->id] = $now;
            foreach ($channels->get($machine->id, []) as $channel) {
                if ($channel->unit !== '°C' || $channel->last_value === null || $channel->last_at === null) {
                    continue;
                }
                $left = exp(-max(0.0, $now - Seconds::of($channel->last_at)) / self::COOLS_S);
                $rows[] = [
                    'machine' => $machine->name,
                    'channel' => $channel->key,
                    'value' => self::ROOM_C + ($channel->last_value - self::ROOM_C) * $left,
                    'at' => $now,
                ];
            }
        }

        return $rows;
    }

    /** @param  array{machine: string, channel: string, value: float, at: float}  $row */
    private function wrong(array $row): ?float
    {
        $value = $row['value'];
        foreach ($this->faults[$row['machine']] ?? [] as $wrong) {
            if ($value !== null && $row['at'] >= $wrong[1] && $row['at'] < ($wrong[2] ?? INF)) {
                $value = $wrong[0]->on(Unit::of($row['channel']), $value, $row['at'] - $wrong[1]);
            }
        }

        return $value;
    }
}
