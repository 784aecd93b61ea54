<?php

declare(strict_types=1);

namespace App\Instruments\Support;

use App\Instruments\Models\Alarm;
use App\Instruments\Models\Channel;
use App\People\Models\User;
use App\People\Support\Role;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Queries\Makeable;
use App\Runs\Queries\ToMake;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Support\Seconds;
use App\Support\ShopClock;
use Carbon\CarbonImmutable;
use Closure;
use Dithermic\Core\Practice\Dice;
use Dithermic\Core\Practice\Fault;
use Dithermic\Core\Practice\Shift;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\RunState;
use Illuminate\Http\Client\Pool;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Str;
use LogicException;

/**
 * A shift played quicker than it goes: the shop's clock is held, moved on by a step, and what people would tap and
 * instruments would read meanwhile is sent through the doors that screens and instruments use. Then it is counted
 * whether anything that was acknowledged is missing, and whether any alarm came that nothing was wrong for, or none
 * where something was. The shop's time stays where the shift ended: it is for a shop that is thrown away.
 */
final class PlayedShift
{
    /** the clock is moved by so much, s */
    private const STEP_S = 120.0;

    /** and what instruments read is sent every so many steps */
    private const STEPS = 2;

    /** between two runs on a machine, s */
    private const BETWEEN_S = 600.0;

    /** a run that would not be over by then is not begun, as a share of the shift */
    private const FILLS = 0.8;

    /** pieces of a run, the most that fit */
    private const PIECES = [48, 24, 12, 6, 3, 1];

    /** watched: so much over the plan, K, and silent for so long, s */
    private const OVER_K = 30.0;

    private const SILENT_S = 300.0;

    /** what is wrong, from so long after the first run of its machine began, for so long, min; one for each machine */
    private const WRONG = [
        [Fault::ThermocoupleOpen, 12.0, 20.0],
        [Fault::Drift, 10.0, 120.0],
        [Fault::ThermocoupleOpen, 20.0, 15.0],
    ];

    /** tokens hold so long, s: a day at 60 takes a third of it */
    private const TOKENS_S = 7200;

    /** an alarm may come so long after what it is for, s */
    private const GRACE_S = 900.0;

    private const ANSWERS = [
        'people_protected' => true,
        'air_moving' => true,
        'guard_closed' => true,
        'nozzle_seated' => true,
        'pressure_relieved' => true,
        'lifting_gear' => true,
    ];

    /** @var array<string, string> token of each person, by name */
    private array $people = [];

    /** @var array<string, string> token of the instruments of each machine, by its name */
    private array $instruments = [];

    /** @var list<array{at: float, run: string, event: Event}> what people will do, by time */
    private array $coming = [];

    /** @var array<string, float> when the next run may begin, by machine */
    private array $free = [];

    /** @var array<string, list<string>> keys that were acknowledged, by run */
    private array $kept = [];

    /** @var array<string, int> newest entry that was heard of, by run */
    private array $known = [];

    /** @var list<array{machine: string, fault: Fault, from: float, to: float}> */
    private array $wrong = [];

    private int $sent = 0;

    private int $rows = 0;

    /** @var list<string> */
    private array $refused = [];

    /** @param  Closure(): Makeable  $makeable  as the shop is now: it remembers what it has looked at */
    public function __construct(
        private readonly Closure $makeable,
        private readonly ShopClock $clock,
        private readonly Watching $watching,
        private readonly SimulatedShop $shop,
        private readonly string $url,
    ) {
    }

    /**
     * @param  float  $speed  no quicker than so many times; slower where the shop does not answer as fast
     * @return array<string, mixed> what was sent, what is there, which alarms came
     */
    public function play(float $hours, float $speed, int $machines): array
    {
        $began = ceil($this->clock->now());
        $ends = $began + 3600 * $hours;
        $real = microtime(true);
        $at = $began;
        try {
            $this->begin($machines, $began);
            for ($step = 1; $at < $ends || $this->coming !== []; $step++) {
                $at += self::STEP_S;
                $this->clock->hold($at);
                $this->work($at, $ends, $began);
                if ($step % self::STEPS === 0) {
                    $this->read();
                    $this->watching->look();
                }
                $ahead = ($at - $began) / $speed - (microtime(true) - $real);
                usleep((int) (1e6 * max(0.0, $ahead)));
            }

            return $this->told($began, $at, microtime(true) - $real);
        } finally {
            $this->clock->goOn($at);
            DB::table('personal_access_tokens')->where('name', self::class)->delete();
        }
    }

    /** Who works, on what, and what of it is watched. */
    private function begin(int $machines, float $now): void
    {
        // Whatever becomes of this process, what it was let in by ends with it.
        $until = CarbonImmutable::now()->addSeconds(self::TOKENS_S);
        $people = User::query()->where('active', true)->where('role', Role::Operator)->orderBy('id')->limit(2)->get();
        foreach ($people as $person) {
            $this->people[$person->name] = $person->createToken(self::class, ['*'], $until)->plainTextToken;
        }
        $lead = User::query()->where('active', true)->where('role', Role::Lead)->orderBy('id')->firstOrFail();
        $leads = $lead->createToken(self::class, ['*'], $until)->plainTextToken;
        foreach ($this->products($now) as [, $made]) {
            /** @var Machine $machine */
            $machine = $made->main;
            $this->free[$machine->name] = $now;
            foreach ($made->machines as $each) {
                $this->instruments[$each->name] ??= $lead
                    ->instrumentToken(self::class, ['readings'], $each->id)->plainTextToken;
            }
            foreach (Channel::query()->where('machine_id', $machine->id)->where('unit', '°C')->get() as $channel) {
                $watched = Http::withToken($leads)->acceptJson()->post("{$this->url}/api/v1/channels/{$channel->id}/limits", [
                    'after' => (int) $channel->log()->max('id'),
                    'watched' => 'run',
                    'follows' => isset($made->targets[$channel->key]) ? $channel->key : $made->process->setPoint(),
                    'high' => self::OVER_K,
                    'delay_s' => 30,
                    'silent_s' => self::SILENT_S,
                ]);
                if (! $watched->successful()) {
                    $this->refused[] = "limits of {$machine->name}: ".$watched->json('error.message');
                }
            }
            if (count($this->free) === $machines) {
                return;
            }
        }
    }

    /** @return list<array{Product, ToMake}> one of each process, whatever can be made now */
    private function products(float $now): array
    {
        $found = [];
        $makeable = ($this->makeable)();
        foreach (Product::query()->with('recipes')->orderBy('id')->get() as $product) {
            $made = $makeable->of($product, 1, $now);
            if ($made->holds === [] && $made->main !== null && $made->begins <= $now + self::STEP_S) {
                $found[$made->process->id()] ??= [$product, $made];
            }
        }

        return array_values($found);
    }

    private function work(float $at, float $ends, float $began): void
    {
        foreach ($this->free as $name => $from) {
            if ($at >= $from && $at < $began + self::FILLS * ($ends - $began)) {
                $this->start($name, $at, $ends);
            }
        }
        usort($this->coming, static fn (array $a, array $b): int => $a['at'] <=> $b['at']);
        $due = [];
        while ($this->coming !== [] && $this->coming[0]['at'] <= $at) {
            $next = array_shift($this->coming);
            $due[$next['run']][] = $next['event'];
        }
        $turns = array_map(self::byPerson(...), $due);
        while ($turns !== []) {
            $this->tell(array_map(static fn (array $of): array => $of[0], $turns));
            $turns = array_filter(array_map(static fn (array $of): array => array_slice($of, 1), $turns));
        }
    }

    /**
     * In their order: what one person did before the other is sent before.
     *
     * @param  non-empty-list<Event>  $events
     * @return non-empty-list<non-empty-list<Event>>
     */
    private static function byPerson(array $events): array
    {
        $turns = [];
        $own = [];
        foreach ($events as $event) {
            if ($own !== [] && $own[0]->by !== $event->by) {
                $turns[] = $own;
                $own = [];
            }
            $own[] = $event;
        }

        return [...$turns, $own];
    }

    private function start(string $name, float $at, float $ends): void
    {
        $this->free[$name] = INF;
        $found = collect($this->products($at))->first(static fn (array $one): bool => $one[1]->main?->name === $name);
        [$product, $made] = $found ?? [null, null];
        $lot = $made?->lot;
        if ($product === null || $made === null || $lot === null) {
            return;
        }
        $person = array_keys($this->people)[count($this->kept) % count($this->people)];
        $answer = Http::withToken($this->people[$person])->acceptJson()->post("{$this->url}/api/v1/runs", [
            'id' => (string) Str::uuid(),
            'product_id' => $product->id,
            'machines' => array_map(static fn (Machine $m): int => $m->id, $made->machines),
            'lot_id' => $lot->id,
            'confirmed_by' => User::query()->where('name', $person)->value('id'),
            'answers' => self::ANSWERS,
        ]);
        if ($answer->status() !== 201) {
            $this->refused[] = "run on {$name}: ".$answer->json('error.field').' '.$answer->json('error.message');

            return;
        }
        $run = Run::query()->with(['events.by', 'stations.machine', 'product', 'recipe', 'procedureVersion'])
            ->whereKey((string) $answer->json('summary.id'))->firstOrFail();
        $this->plan($run, $name, $at, $ends, $person);
    }

    /** What people will do of it: as the plant of its process lets them. */
    private function plan(Run $run, string $name, float $at, float $ends, string $person): void
    {
        $helper = array_values(array_diff(array_keys($this->people), [$person]))[0] ?? $person;
        $machine = $run->machineOfState();
        $events = [];
        // As many pieces as are made by the end: hands that are slower than usual make fewer.
        foreach ($machine->procedure->hasPieces() ? self::PIECES : [1] as $pieces) {
            $plant = $this->shop->plant($run) ?? throw new LogicException("{$name} has no plant");
            $shift = new Shift(
                $machine,
                $plant,
                new Dice(crc32($run->id)),
                [$person, $helper],
                'shift-'.substr($run->id, 0, 8),
            );
            $events = $shift->run($at, $pieces)->events;
            if (array_key_last($events) === null || $events[array_key_last($events)]->at <= $ends) {
                break;
            }
        }
        $this->kept[$run->id] = [];
        foreach ($events as $event) {
            if ($event->type !== EventType::Started) {
                $this->coming[] = ['at' => $event->at, 'run' => $run->id, 'event' => $event];
            }
        }
        $this->free[$name] = max([$at, ...array_map(static fn (Event $e): float => $e->at, $events)]) + self::BETWEEN_S;
        $next = self::WRONG[count($this->wrong)] ?? null;
        if ($next !== null && ! in_array($name, array_column($this->wrong, 'machine'), true)) {
            [$fault, $after, $for] = $next;
            [$from, $to] = [$at + 60 * $after, $at + 60 * ($after + $for)];
            $this->wrong[] = ['machine' => $name, 'fault' => $fault, 'from' => $from, 'to' => $to];
            $this->shop->goesWrong($name, $fault, $from, $to);
        }
    }

    /** @param  array<string, non-empty-list<Event>>  $turns  of one person each, by run: all at once */
    private function tell(array $turns): void
    {
        $answers = Http::pool(fn (Pool $pool): array => array_map(
            fn (string $run): mixed => $pool->as($run)->withToken(
                $this->people[$turns[$run][0]->by],
            )->acceptJson()->post(
                "{$this->url}/api/v1/runs/{$run}/events",
                [
                    'since' => $this->known[$run] ?? 0,
                    'events' => array_map(static fn (Event $e): array => [
                        'key' => $e->key, 'type' => $e->type->value, 'at' => round($e->at, 3),
                        'data' => (object) $e->data,
                    ], $turns[$run]),
                ],
            ),
            array_keys($turns),
        ));
        foreach ($answers as $run => $answer) {
            $this->sent += count($turns[$run]);
            if (! $answer instanceof Response || ! $answer->successful()) {
                $this->refused[] = 'events: '.($answer instanceof Response ? $answer->body() : 'no answer');

                continue;
            }
            foreach ($answer->json('refused') ?? [] as $no) {
                $this->refused[] = "{$no['field']} {$no['message']}";
            }
            $this->known[$run] = (int) $answer->json('run.since') + count((array) $answer->json('run.events'));
            array_push($this->kept[$run], ...($answer->json('stored') ?? []));
        }
    }

    /** The instruments of all machines at once, as they would. */
    private function read(): void
    {
        $read = array_intersect_key($this->shop->read(self::STEPS * self::STEP_S), $this->instruments);
        $answers = Http::pool(fn (Pool $pool): array => array_map(
            fn (string $machine): mixed => $pool->as($machine)->withToken($this->instruments[$machine])->acceptJson()->post(
                "{$this->url}/api/v1/readings",
                ['id' => (string) Str::uuid(), 'readings' => $read[$machine]],
            ),
            array_keys($read),
        ));
        foreach ($answers as $machine => $answer) {
            if (! $answer instanceof Response || $answer->status() !== 201) {
                $this->refused[] = "readings of {$machine}: "
                    .($answer instanceof Response ? $answer->body() : 'no answer');

                continue;
            }
            $this->rows += (int) $answer->json('stored');
        }
    }

    /** @return array<string, mixed> */
    private function told(float $began, float $at, float $took): array
    {
        $lost = 0;
        foreach ($this->kept as $run => $keys) {
            $there = RunEvent::query()->where('run_id', $run)->pluck('key')->all();
            $lost += count(array_diff($keys, $there));
        }
        $machines = Machine::query()->whereIn('name', array_keys($this->instruments))->pluck('id');
        $read = DB::table('readings')->whereIn('machine_id', $machines)
            ->where('at', '>=', Seconds::moment($began)->format('Y-m-d H:i:s.vP'))->count();
        $alarms = Alarm::query()
            ->with('channel.machine')
            ->where('began_at', '>=', Seconds::moment($began)->format('Y-m-d H:i:s.vP'))
            ->get();
        $known = $alarms->map(fn (Alarm $alarm): int|false => collect($this->wrong)->search(
            static fn (array $w): bool => $w['machine'] === $alarm->channel->machine->name
                && Seconds::of($alarm->began_at) >= $w['from']
                && Seconds::of($alarm->began_at) <= $w['to'] + self::GRACE_S,
        ));

        return [
            'hours' => round(($at - $began) / 3600, 2),
            'speed' => round(($at - $began) / max(0.001, $took), 0),
            'machines' => count($this->free),
            'people' => count($this->people),
            'runs' => count($this->kept),
            'ended' => Run::query()
                ->whereIn('id', array_keys($this->kept))
                ->where('status', RunState::FINISHED)
                ->count(),
            'events' => $this->sent,
            'events_lost' => $lost,
            'readings' => $this->rows,
            'readings_lost' => $this->rows - $read,
            'faults' => count($this->wrong),
            'faults_missed' => count($this->wrong) - $known
                ->filter(static fn (int|false $w): bool => $w !== false)
                ->unique()
                ->count(),
            'alarms' => $alarms->count(),
            'alarms_false' => $known->filter(static fn (int|false $w): bool => $w === false)->count(),
            'refused' => $this->refused,
        ];
    }
}
