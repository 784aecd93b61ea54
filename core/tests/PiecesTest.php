<?php

declare(strict_types=1);

use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Hand;
use Dithermic\Core\Run\Phase;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Stations;
use Dithermic\Core\Run\Thread;

/**
 * A toy process of no plastic: cups of tea. The kettle once, then cups that steep on clocks of their own, two in the
 * pot's place at a time, then washing up. It is data alone: nothing of the machine knows it.
 */
function tea(): Procedure
{
    return new Procedure(json_decode((string) file_get_contents(__DIR__.'/conformance/tea.json'), true));
}

function teaMachine(): RunMachine
{
    return new RunMachine(
        tea(),
        ['steep_min' => 4.0, 'water_c' => 95.0, 'leaf_g' => 2.0, 'leaf_tolerance_g' => 0.1, 'stir_every_min' => 1.0],
    );
}

final class Teapot
{
    public RunState $state;

    public float $now = 1000.0;

    private int $n = 0;

    public function __construct(public RunMachine $machine)
    {
        $this->state = new RunState;
    }

    /** @param  array<string, mixed>  $data */
    public function tell(EventType $type, array $data = []): ?string
    {
        $event = new Event('t'.$this->n++, $type, $this->now, 'Jun', $data);
        $refused = $this->machine->refuses($this->state, $event);
        if ($refused === null) {
            $this->machine->apply($this->state, $event);
        }

        return $refused === null ? null : "{$refused->field}: {$refused->getMessage()}";
    }

    public function boiled(): self
    {
        $this->tell(EventType::Started);
        $this->tell(EventType::Logged, ['entry' => 'water', 'values' => ['water_c' => 96]]);
        $this->tell(EventType::StepDone, ['step' => 'boil']);

        return $this;
    }

    public function cup(int $n): ?string
    {
        return $this->tell(EventType::PieceBegun, ['piece' => $n])
            ?? $this->tell(EventType::Logged, ['entry' => 'leaf', 'values' => ['leaf_g' => 2.05], 'piece' => $n])
            ?? $this->tell(EventType::StepDone, ['step' => 'fill', 'piece' => $n]);
    }

    public function drunk(int $n): ?string
    {
        return $this->tell(EventType::StepDone, ['step' => 'steep', 'piece' => $n]) ?? $this
            ->tell(EventType::StepDone, ['step' => 'serve', 'piece' => $n]);
    }
}

it('does the set-up once, then pieces, each on its own clock, then the closing', function (): void {
    $pot = new Teapot(teaMachine());
    expect($pot->tell(EventType::Started))->toBeNull()
        ->and($pot->tell(EventType::PieceBegun, ['piece' => 1]))->toContain('Boil the water comes first');
    $pot = (new Teapot(teaMachine()))->boiled();
    expect($pot->state->step)->toBeNull()
        ->and($pot->state->status)
        ->toBe(RunState::RUNNING)
        ->and($pot->cup(1))
        ->toBeNull();
    $pot->now += 60;
    expect($pot->cup(2))->toBeNull();
    [$one, $two] = [$pot->state->pieces[1], $pot->state->pieces[2]];
    expect($one->timers['steep']['ends_at'])->toBe(1240.0)->and($two->timers['steep']['ends_at'])->toBe(1300.0);
    $pot->now = 1240.0;
    expect($pot->drunk(1))->toBeNull()
        ->and($one->outcome)
        ->toBe(Thread::DONE)
        ->and($pot->drunk(2))
        ->toContain('1:00 to go')
        ->and($two->step)
        ->toBe('steep');
    $pot->now = 1300.0;
    expect($pot->tell(EventType::Closing))->toContain('cup 2 is under way')->and($pot->drunk(2))->toBeNull()
        ->and($pot->tell(EventType::Closing))
        ->toBeNull()
        ->and($pot->tell(EventType::PieceBegun, ['piece' => 3]))
        ->toContain('no cup follows')
        ->and($pot->tell(EventType::StepDone, ['step' => 'wash']))
        ->toBeNull()
        ->and($pot->state->status)
        ->toBe(RunState::FINISHED);
});

it('takes no more pieces into a place than it holds', function (): void {
    $pot = (new Teapot(teaMachine()))->boiled();
    expect($pot->cup(1))->toBeNull()->and($pot->cup(2))->toBeNull()
        ->and($pot->tell(EventType::PieceBegun, ['piece' => 3]))->toBeNull()
        ->and($pot->tell(EventType::PieceBegun, ['piece' => 4]))->toContain('the bench still holds cup 3');
    $pot->tell(EventType::Logged, ['entry' => 'leaf', 'values' => ['leaf_g' => 2.0], 'piece' => 3]);
    expect($pot->tell(
        EventType::StepDone,
        ['step' => 'fill', 'piece' => 3],
    ))->toContain('the tray still holds cup 1 and 2');
    $pot->now += 300;
    expect($pot->drunk(1))->toBeNull()->and($pot->tell(
        EventType::StepDone,
        ['step' => 'fill', 'piece' => 3],
    ))->toBeNull();
});

it('takes no evidence of another piece, another step or the run for its own', function (): void {
    $pot = (new Teapot(teaMachine()))->boiled();
    $pot->tell(EventType::PieceBegun, ['piece' => 1]);
    $leaf = static fn (array $over): array => $over + ['entry' => 'leaf', 'values' => ['leaf_g' => 2.0]];
    expect($pot->tell(EventType::Logged, $leaf([])))->toStartWith('data.entry')
        ->and($pot->tell(EventType::Logged, $leaf(['piece' => 2])))->toBe('data.piece: is no cup of this run')
        ->and($pot->tell(EventType::Logged, $leaf(['piece' => '1'])))->toBe('data.piece: is no cup of this run')
        ->and($pot->tell(EventType::Logged, $leaf(['piece' => 1])))->toBeNull()
        ->and($pot->tell(EventType::Logged, $leaf(['piece' => 1])))->toContain('already logged')
        ->and($pot->tell(EventType::StepDone, ['step' => 'fill', 'piece' => 1]))->toBeNull();
    expect($pot->tell(EventType::PieceBegun, ['piece' => 2]))->toBeNull()
        ->and($pot->tell(EventType::StepDone, ['step' => 'fill', 'piece' => 2]))
        ->toContain('log the leaves');
    expect($pot->tell(EventType::Logged, $leaf(['piece' => 1])))->toContain('belongs to "Fill a cup"');
});

it('lets a number come late where the procedure says so, and only for a step that is done', function (): void {
    $pot = (new Teapot(teaMachine()))->boiled();
    $pot->cup(1);
    $colour = static fn (?string $step): array => [
        'entry' => 'colour',
        'values' => ['shade' => 3],
        'piece' => 1,
    ] + ($step === null ? [] : ['step' => $step]);
    expect($pot->tell(EventType::Logged, $colour('serve')))->toStartWith('data.entry')
        ->and($pot->tell(EventType::Logged, $colour(null)))
        ->toBeNull();
    $pot->now += 300;
    $pot->tell(EventType::StepDone, ['step' => 'steep', 'piece' => 1]);
    expect($pot->tell(EventType::Logged, $colour(null)))->toStartWith('data.entry')
        ->and($pot->tell(EventType::Logged, $colour('steep')))
        ->toBeNull()
        ->and($pot->state->latest('colour', 'steep', 1))->toBe(['shade' => 3])->and($pot->tell(
            EventType::Logged,
            ['entry' => 'leaf', 'values' => ['leaf_g' => 2], 'step' => 'fill', 'piece' => 1],
        ))->toStartWith('data.entry');
});

it('lets a piece be taken out with a reason, and frees its place', function (): void {
    $pot = (new Teapot(teaMachine()))->boiled();
    $pot->cup(1);
    $pot->cup(2);
    expect($pot->tell(EventType::PieceDropped, ['piece' => 1]))->toStartWith('data.reason')
        ->and($pot->tell(EventType::PieceDropped, ['reason' => 'spilt']))->toStartWith('data.piece')
        ->and($pot->tell(EventType::PieceDropped, ['piece' => 1, 'reason' => 'spilt']))->toBeNull()
        ->and($pot->state->pieces[1]->outcome)->toBe(Thread::DROPPED)
        ->and($pot->tell(EventType::PieceDropped, ['piece' => 1, 'reason' => 'again']))->toContain('dropped')
        ->and($pot->cup(3))->toBeNull();
});

it('says whose hands are needed next over all pieces', function (): void {
    $pot = (new Teapot(teaMachine()))->boiled();
    $pot->cup(1);
    $pot->now += 30;
    $pot->cup(2);
    $hands = $pot->machine->hands($pot->state);
    expect(array_map(static fn (Hand $h): array => [$h->piece, $h->what, $h->at], $hands))->toBe([
        [1, 'Stir', 1060.0],
        [2, 'Stir', 1090.0],
        [1, 'Serve', 1240.0],
        [2, 'Serve', 1270.0],
    ]);
    foreach ($pot->machine->stretches($pot->state, $pot->now) as $stretch) {
        expect($stretch['to'])->toBeGreaterThanOrEqual($stretch['from']);
    }
});

it('never comes to a state that cannot be, whatever is told in whatever order', function (int $seed): void {
    $machine = teaMachine();
    mt_srand($seed);
    $pick = static fn (array $of): mixed => $of[mt_rand(0, count($of) - 1)];
    $steps = ['boil', 'fill', 'steep', 'serve', 'wash', 'nothing'];
    for ($round = 0; $round < 250; $round++) {
        $state = new RunState;
        $taken = [];
        $at = 1000.0;
        for ($i = 0; $i < 40; $i++) {
            $at += mt_rand(0, 90);
            $type = $i === 0 ? EventType::Started : $pick(EventType::cases());
            $piece = mt_rand(0, 3) === 0 ? [] : ['piece' => mt_rand(1, 4)];
            // Half of what is told is what comes next for somebody, or no order would ever get far.
            $thread = $pick([...$state->underWay(), $state]);
            $sensible = mt_rand(0, 1) === 1
                ? ['step' => (string) $thread->step] + ($thread->piece === null ? [] : ['piece' => $thread->piece])
                : $piece;
            $data = match ($type) {
                EventType::Logged => [
                    'entry' => $pick(['water', 'leaf', 'colour']),
                    'values' => $pick([['water_c' => 96], ['leaf_g' => 2], ['leaf_g' => 9], ['shade' => 1]]),
                ] + $sensible,
                EventType::StepDone => $sensible + ['step' => $pick($steps)],
                EventType::Confirmed => $sensible + ['step' => 'serve', 'item' => 'saucer'],
                EventType::Extended => ['timer' => 'steep', 'minutes' => $pick([-5, 1, 2]), 'reason' => 'x'] + $piece,
                EventType::PieceBegun => ['piece' => mt_rand(0, 1) === 1 ? count($state->pieces) + 1 : mt_rand(-1, 5)],
                EventType::PieceDropped => ['reason' => 'x'] + $piece,
                EventType::Corrected => [
                    'event' => $pick([...array_keys($state->entries), 'none']),
                    'values' => ['leaf_g' => 2],
                    'reason' => 'x',
                ],
                EventType::Noted => ['text' => 'x'],
                EventType::Aborted => mt_rand(0, 9) === 0 ? ['reason' => 'x'] : [],
                default => [],
            };
            $event = new Event("k{$i}", $type, $at, 'Jun', $data);
            if ($machine->refuses($state, $event) !== null) {
                continue;
            }
            $machine->apply($state, $event);
            $taken[] = $event;
            legal($machine, $state);
        }
        // What was taken folds to the same state again.
        expect($machine->fold($taken))->toEqual($state);
    }
})->with(range(1, 40));

function legal(RunMachine $machine, RunState $state): void
{
    $there = [];
    foreach ($state->pieces as $n => $piece) {
        $step = $piece->step === null ? null : $machine->procedure->step($piece->step);
        if (
            $piece->piece !== $n
            || ($piece->outcome === Thread::OPEN) !== ($step !== null)
            || ($state->status === RunState::FINISHED && $piece->outcome === Thread::OPEN)
        ) {
            throw new LogicException(
                "piece {$n} is {$piece->outcome} at {$piece->step} in a run that is {$state->status}",
            );
        }
        if ($step !== null) {
            $there[$step->place] = ($there[$step->place] ?? 0) + 1;
        }
        // Nothing is done before what stands above it.
        $order = array_map(
            static fn ($s): string => $s->id,
            $machine->procedure->steps($step->phase ?? Dithermic\Core\Run\Phase::Piece),
        );
        if (array_keys($piece->done) !== array_slice($order, 0, count($piece->done))) {
            throw new LogicException("piece {$n} did its steps out of order");
        }
    }
    foreach ($there as $place => $pieces) {
        if ($pieces > ($machine->procedure->place($place)->holds ?? 99)) {
            throw new LogicException("{$pieces} pieces at {$place}");
        }
    }
    if (($state->closing || $state->pieces !== []) && ! isset($state->done['boil'])) {
        throw new LogicException('pieces before the set-up');
    }
}

it('folds twenty thousand events in a time that grows as they do', function (): void {
    $machine = teaMachine();
    $events = [
        new Event('a', EventType::Started, 0.0, 'Jun'),
        new Event('b', EventType::Logged, 1.0, 'Jun', ['entry' => 'water', 'values' => ['water_c' => 99]]),
        new Event('c', EventType::StepDone, 2.0, 'Jun', ['step' => 'boil']),
    ];
    for ($n = 1; count($events) < 20_000; $n++) {
        $events[] = new Event("p{$n}", EventType::PieceBegun, 10.0 * $n, 'Jun', ['piece' => $n]);
        $events[] = new Event(
            "l{$n}",
            EventType::Logged,
            10.0 * $n + 1,
            'Jun',
            ['piece' => $n, 'entry' => 'leaf', 'values' => ['leaf_g' => 2]],
        );
        foreach (['fill', 'steep', 'serve'] as $k => $step) {
            $events[] = new Event(
                "s{$n}{$k}",
                EventType::StepDone,
                10.0 * $n + 2 + $k,
                'Jun',
                ['piece' => $n, 'step' => $step],
            );
        }
    }
    // Timed by bench; here only that the work grows with the events and not with their square: sixteen times as many
    // take sixteen times as long, and not 256. What this process was at work, the best of five: what the processor does
    // for others meanwhile is not of it.
    $worked = static function (): int {
        $usage = getrusage();

        return 1_000_000 * ($usage['ru_utime.tv_sec'] + $usage['ru_stime.tv_sec']) + $usage['ru_utime.tv_usec'] + $usage['ru_stime.tv_usec'];
    };
    $best = static function (array $of) use ($machine, $worked): int {
        $taken = [];
        for ($i = 0; $i < 5; $i++) {
            $start = $worked();
            $machine->fold($of);
            $taken[] = $worked() - $start;
        }

        return min($taken);
    };
    $state = $machine->fold($events);
    $few = $best(array_slice($events, 0, 1250));
    expect(count($state->pieces))->toBeGreaterThan(3990)->and($best($events))->toBeLessThan(64 * $few);
});

it('holds a station while something of the run is there or comes again', function (): void {
    $procedure = tea();
    $pot = (new Teapot(teaMachine()))->boiled();
    expect(Stations::of($procedure, $pot->state))->toBe([]);
    $pot->cup(1);
    $pot->now += 300;
    expect(Stations::of($procedure, $pot->state))->toBe(['tray' => ['from' => 1000.0, 'to' => null]]);
    $pot->drunk(1);
    // Another cup may follow until the run is being closed.
    expect(Stations::of($procedure, $pot->state)['tray']['to'])->toBeNull();
    $pot->now += 10;
    $pot->tell(EventType::Closing);
    expect(Stations::of($procedure, $pot->state)['tray'])->toBe(['from' => 1000.0, 'to' => 1300.0]);
    $stopped = (new Teapot(teaMachine()))->boiled();
    $stopped->cup(1);
    $stopped->now += 5;
    $stopped->tell(EventType::Aborted, ['reason' => 'no milk']);
    expect(Stations::of($procedure, $stopped->state)['tray'])->toBe(['from' => 1000.0, 'to' => 1005.0]);
});

it('lets nowhere more pieces be begun than hands and machines can hold', function (string $process): void {
    $procedure = shipped($process);
    $first = $procedure->first(Phase::Piece);
    expect($first)->not->toBeNull();
    // Where a piece begins there is room for one, whichever process: ten sheets under one heater are none.
    expect($procedure->place($first->place)?->holds)->toBe(1);
})->with(['injection', 'extrusion', 'vacuum_forming']);
