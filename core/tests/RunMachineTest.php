<?php

declare(strict_types=1);

use Dithermic\Core\Data\Record;
use Dithermic\Core\Run\Event;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Run\Hand;
use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\RunMachine;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Run\Step;
use Dithermic\Core\Run\Timer;
use Dithermic\Core\Run\Wait;

const PLAN = [
    'platen_c' => 185,
    'platen_ready_c' => 180,
    'charge_mass_g' => 2166,
    'charge_tolerance_g' => 22,
    'heat_min' => 12,
    'cool_min' => 6,
    'pump_every_min' => 3,
    'demould_c' => 68,
    'nominal_mm' => 8,
    'thickness_tolerance_mm' => 1,
    'length_mm' => 600,
    'width_mm' => 450,
];

final class Bench
{
    public RunState $state;

    public array $events = [];

    private int $n = 0;

    public function __construct(public RunMachine $machine, public float $now = 1_000_000.0)
    {
        $this->state = new RunState;
    }

    public function tell(EventType $type, array $data = [], bool $lead = false): ?string
    {
        $event = new Event('k'.$this->n++, $type, $this->now, 'Ines', $data, $lead);
        $error = $this->machine->refuses($this->state, $event);
        if ($error === null) {
            $this->machine->apply($this->state, $event);
            $this->events[] = $event;
        }

        return $error === null ? null : "{$error->field}: {$error->getMessage()}";
    }

    public function log(string $entry, array $values): ?string
    {
        return $this->tell(EventType::Logged, ['entry' => $entry, 'values' => $values]);
    }

    public function done(string $step, ?string $reason = null): ?string
    {
        return $this->tell(EventType::StepDone, ['step' => $step] + ($reason === null ? [] : ['reason' => $reason]));
    }

    public function confirm(string $step): void
    {
        foreach (array_keys($this->machine->procedure->step($step)->confirm) as $item) {
            $this->tell(EventType::Confirmed, ['step' => $step, 'item' => $item]);
        }
    }

    public function toHeat(): self
    {
        $this->tell(EventType::Started);
        $this->log('platen', ['top_c' => 186, 'low_c' => 184]);
        $this->done('preheat');
        $this->confirm('plates');
        $this->done('plates');
        $this->log('weigh', ['mass_g' => 2170]);
        $this->done('weigh');
        $this->confirm('spread');
        $this->done('spread');
        $this->done('slide_in');

        return $this;
    }
}

function bench(array $plan = []): Bench
{
    return new Bench(new RunMachine(shipped('compression'), $plan + PLAN));
}

it('leads from preheat to good in the order of the procedure', function (): void {
    $b = bench()->toHeat();
    expect($b->state->step)->toBe('heat')->and($b->state->timers['heat']['ends_at'])->toBe($b->now + 720);
    $b->now += 721;
    expect($b->done('heat'))->toBeNull();
    $b->now += 40;
    expect($b->done('transfer'))->toBeNull();
    $b->now += 20;
    expect($b->log('cold_pressure', ['gauge_bar' => 45]))->toBeNull()->and($b->done('pressure_on'))->toBeNull();
    $b->now += 361;
    expect($b->done('cool'))->toBeNull();
    $b->confirm('open');
    expect($b->done('open'))->toBeNull();
    $points = array_map(
        static fn (int $i): array => ['x_mm' => $i % 3 * 250, 'y_mm' => intdiv($i, 3) * 200, 't_mm' => 8.0],
        range(0, 8),
    );
    expect($b->log(
        'inspection',
        ['mass_g' => 2070, 'points' => $points],
    ))->toBeNull()->and($b->done('check'))->toBeNull()
        ->and($b->log('disposition', ['verdict' => 'good']))->toBeNull()->and($b->done('decide'))->toBeNull()
        ->and($b->state->status)->toBe(RunState::FINISHED);
    // The same events give the same state, however often they are folded.
    expect($b->machine->fold($b->events))->toEqual($b->state);
});

it('keeps a gate shut until it is met, and says what is missing', function (): void {
    $b = bench();
    expect($b->done('preheat'))->toContain('not been started');
    $b->tell(EventType::Started);
    expect($b->done('preheat'))->toContain('log both platens')->and($b->done('weigh'))->toContain('comes first');
    $b->log('platen', ['top_c' => 186, 'low_c' => 171]);
    expect($b->done('preheat'))->toContain('within 5 °C')->and($b->done('preheat', 'gauge is slow'))->toBeNull();
    expect($b->done('plates'))->toContain('both plates wiped')
        ->and($b->done('plates', 'no time'))
        ->toContain('both plates wiped');
    $b->confirm('plates');
    $b->done('plates');
    $b->log('weigh', ['mass_g' => 2300]);
    expect($b->done('weigh'))->toContain('within tolerance')
        ->and($b->done('preheat'))
        ->toContain('already done, by Ines');
});

it('ends no timed step early without a reason', function (): void {
    $b = bench()->toHeat();
    $b->now += 300;
    expect($b->done('heat'))->toContain('7:00 to go')
        ->and($b->done('heat', 'smoke at the edge'))
        ->toBeNull()
        ->and($b->state->done['heat']['reason'])
        ->toBe('smoke at the edge');
});

it('asks for the pump every few minutes from the last one, and leaves the end to the timer', function (): void {
    $b = bench()->toHeat();
    $start = $b->now;
    $hands = $b->machine->hands($b->state);
    expect($hands[0]->entry)->toBe('pump')
        ->and($hands[0]->at)
        ->toBe($start + 180)
        ->and($hands[1]->timer)
        ->toBe('heat')
        ->and($hands[1]->at)
        ->toBe($start + 720);
    $b->now += 200;
    $b->log('pump', ['gauge_bar' => 24, 'strokes' => 6]);
    expect($b->machine->hands($b->state)[0]->at)->toBe($start + 380);
    $b->now = $start + 480;
    $b->log('pump', []);
    expect(array_column($b->machine->hands($b->state), 'entry'))->toBe([null])->and(
        bench(['pump_every_min' => null])->toHeat()->machine->hands(bench(['pump_every_min' => null])->toHeat()->state),
    )->toHaveCount(1);
});

it('says what waits where hands are late, and lets the dearest minute go first', function (): void {
    $b = bench()->toHeat();
    [$pump, $out] = $b->machine->hands($b->state);
    expect([$pump->wait, $out->wait])->toBe([Wait::Looks, Wait::Heats])
        // A look is over before anything else could begin; what goes on heating comes before all that takes as long.
        ->and($pump->presses())->toBe(8.0)
        ->and($out->presses())->toBe(8.0 / $out->minutes);
    $hand = static fn (Wait $wait, float $minutes): Hand => new Hand(
        0.0,
        '',
        '',
        '',
        null,
        null,
        1,
        '',
        null,
        $wait,
        $minutes,
    );
    // Of all orders of three that wait at once that by what presses costs least in all.
    $three = [$hand(Wait::Bench, 1), $hand(Wait::Heats, 5), $hand(Wait::Hot, 2)];
    $cost = static function (array $order): float {
        [$clock, $cost] = [0.0, 0.0];
        foreach ($order as $h) {
            $clock += $h->minutes;
            $cost += $clock * $h->wait->weight();
        }

        return $cost;
    };
    $turn = $three;
    usort($turn, static fn (Hand $x, Hand $y): int => $y->presses() <=> $x->presses());
    foreach ([[0, 1, 2], [0, 2, 1], [1, 0, 2], [1, 2, 0], [2, 0, 1], [2, 1, 0]] as [$i, $j, $k]) {
        expect($cost($turn))->toBeLessThanOrEqual($cost([$three[$i], $three[$j], $three[$k]]));
    }
});

it('says what waits and whose turn it is as the screen does', function (): void {
    $file = json_decode((string) file_get_contents(__DIR__.'/conformance/waits.json'), true);
    foreach ($file['waits'] as $case) {
        $step = Step::of(new Record([
            'id' => 's', 'stage' => 's', 'place' => 'p', 'people' => 1, 'title' => 't', 'why' => 'w',
            'needs_heat' => $case['needs_heat'],
        ]));
        $wait = Wait::of($step, $case['timer'] === null ? null : new Timer('t', 't', 'm', $case['timer']));
        $hand = new Hand(0.0, '', '', '', null, null, 1, '', null, $wait, $case['minutes']);
        expect([round($hand->presses(), 3), $wait->value])->toEqual([$case['presses'], $case['says']]);
    }
    foreach ($file['turns'] as ['now' => $now, 'hands' => $hands, 'turn' => $turn]) {
        foreach ([$hands, array_reverse($hands)] as $given) {
            usort(
                $given,
                static fn (array $a, array $b): int => Hand::turn($a[1], $a[2], $now) <=> Hand::turn($b[1], $b[2], $now),
            );
            expect(array_column($given, 0))->toBe($turn);
        }
    }
});

it('corrects by adding, and refuses a correction without a reason', function (): void {
    $b = bench()->toHeat();
    $key = array_key_first(array_filter($b->state->entries, static fn (array $e): bool => $e['entry'] === 'weigh'));
    expect($b->tell(EventType::Corrected, ['event' => $key, 'values' => ['mass_g' => 2160]]))->toContain('data.reason')
        ->and($b->tell(
            EventType::Corrected,
            ['event' => $key, 'values' => ['mass_g' => -1], 'reason' => 'typo'],
        ))->toContain('above 0')
        ->and($b->tell(
            EventType::Corrected,
            ['event' => 'nosuch', 'values' => ['mass_g' => 1], 'reason' => 'typo'],
        ))->toContain('names no entry')
        ->and($b->tell(
            EventType::Corrected,
            ['event' => $key, 'values' => ['mass_g' => 2160], 'reason' => 'read the tare'],
        ))->toBeNull()
        ->and($b->state->latest('weigh'))
        ->toBe(['mass_g' => 2160])
        ->and($b->state->entries[$key]['corrected'])
        ->toBe(1);
});

it('takes only values that its entries know', function (string $entry, array $values, string $says): void {
    expect(bench()->toHeat()->log($entry, $values))->toContain($says);
})->with([
    ['pump', ['gauge_bar' => 'much'], 'must be a number'],
    ['pump', ['gauge_bar' => INF], 'must be a number'],
    ['pump', ['colour' => 1], 'not a field'],
    ['cue', ['what' => 'ghosts'], 'must be one of'],
    ['weigh', ['mass_g' => 2000], 'belongs to "Weigh in"'],
    ['nosuch', [], 'no entry'],
    ['disposition', ['verdict' => 'scrap'], 'required: Reason'],
]);

it('stretches a running timer with a reason, and no other', function (): void {
    $b = bench()->toHeat();
    expect($b->tell(
        EventType::Extended,
        ['timer' => 'cool', 'minutes' => 2, 'reason' => 'x'],
    ))->toContain('not running')
        ->and($b->tell(EventType::Extended, ['timer' => 'heat', 'minutes' => 2]))->toContain('say why')
        ->and($b->tell(
            EventType::Extended,
            ['timer' => 'heat', 'minutes' => 2, 'reason' => 'thick corner'],
        ))->toBeNull()
        ->and($b->state->timers['heat']['ends_at'])->toBe($b->now + 840);
});

it('stretches a timer by minutes that are a number, at most ten hours either way', function (mixed $minutes, bool $taken): void {
    $b = bench()->toHeat();
    $ends = $b->state->timers['heat']['ends_at'];
    $said = $b->tell(EventType::Extended, ['timer' => 'heat', 'minutes' => $minutes, 'reason' => 'thick corner']);
    expect($said)->toBe($taken ? null : 'data.minutes: must be a number of minutes, at most 600')
        ->and($b->state->timers['heat']['ends_at'])->toBe($taken ? $ends + 60 * $minutes : $ends);
})->with([
    'the most' => [600, true], 'parts of one' => [0.5, true], 'less' => [-2, true], 'beyond' => [600.1, false],
    'far less' => [-601, false], 'nothing' => [0, false], 'a word' => ['5', false], 'no number' => [NAN, false],
    'for ever' => [INF, false], 'left out' => [null, false],
]);

it('stops for good with a reason; notes and corrections can still be added', function (): void {
    $b = bench()->toHeat();
    expect($b->tell(EventType::Aborted, []))->toContain('say why')
        ->and($b->tell(EventType::Aborted, ['reason' => 'power cut']))
        ->toBeNull()
        ->and($b->state->status)
        ->toBe(RunState::ABORTED)
        ->and($b->log('pump', []))
        ->toContain('aborted')
        ->and($b->tell(EventType::Noted, ['text' => 'sheet thrown into the bucket']))
        ->toBeNull()
        ->and($b->machine->hands($b->state))
        ->toBe([]);
});

it('tells what is heated by its coolest reading: a touched mould and what goes in are nothing of that', function (): void {
    $bench = bench()->toHeat();
    expect($bench->machine->measured($bench->state))->toBe(184.0);
    $bench->log('platen', ['top_c' => 181, 'low_c' => 183]);
    expect($bench->machine->measured($bench->state))->toBe(181.0);

    $moulding = shipped('injection');
    $plan = array_fill_keys($moulding->body['plan'], 1.0);
    $shots = new Bench(new RunMachine($moulding, $plan));
    $shots->tell(EventType::Started);
    expect($shots->machine->measured($shots->state))->toBeNull();
    $shots->log('zones', ['barrel_c' => 218, 'nozzle_c' => 222]);
    $shots->done('heat_up');
    $shots->log('load', ['mass_g' => 100, 'feed_c' => 140]);
    $shots->done('fill');
    $shots->done('soak', 'hot from before');
    $shots->log('purge', ['what' => 'smooth']);
    $shots->done('test_shot');
    $shots->log('mould', ['mould_c' => 41]);
    expect($shots->state->latest('mould'))->not->toBeNull()
        ->and($shots->machine->measured($shots->state))->toBe(218.0);
});

it('draws the past and the coming without a gap', function (): void {
    $b = bench()->toHeat();
    $parts = $b->machine->stretches($b->state, $b->now + 60);
    for ($i = 1; $i < count($parts); $i++) {
        expect($parts[$i]['from'])->toEqualWithDelta($parts[$i - 1]['to'], 1e-6);
    }
    expect($parts[array_key_last($parts)]['step'])->toBe('decide')
        ->and($parts[array_key_last($parts)]['to'])
        ->toBeGreaterThan($b->now + 720 + 360);
});

it('knows no process by name: a made-up procedure runs on the same machine', function (): void {
    $tea = new Procedure(['id' => 'tea', 'version' => 3, 'process' => 'extrusion', 'title' => 'Tea', 'plan' => ['steep_min'], 'places' => [
        'pot' => ['title' => 'pot', 'heat' => 'in'],
    ], 'stages' => [['id' => 'all', 'title' => 'All']],
        'timers' => [['id' => 'steep', 'title' => 'Steeping', 'minutes' => 'steep_min', 'kind' => 'wait']],
        'entries' => [[
            'id' => 'cups',
            'title' => 'Cups',
            'fields' => [['id' => 'n', 'label' => 'How many', 'required' => true]],
        ]],
        'steps' => [[
            'id' => 'pour',
            'stage' => 'all',
            'place' => 'pot',
            'people' => 1,
            'title' => 'Pour',
            'do' => '',
            'why' => '',
            'button' => '',
            'starts' => 'steep',
            'entries' => ['cups'],
            'gate' => [['entry' => 'cups', 'says' => 'cups']],
            'pass_anyway' => 'lead',
        ],
            [
                'id' => 'wait',
                'stage' => 'all',
                'place' => 'pot',
                'people' => 0,
                'title' => 'Wait',
                'do' => '',
                'why' => '',
                'button' => '',
                'timer' => 'steep',
                'gate' => [['timer' => 'steep', 'says' => 'time']],
            ]],
        'schools' => []]);
    $b = new Bench(new RunMachine($tea, ['steep_min' => 4]));
    $b->tell(EventType::Started);
    expect($b->done('pour', 'no cups'))->toContain('A lead may pass')->and($b->tell(
        EventType::StepDone,
        ['step' => 'pour', 'reason' => 'no cups'],
        lead: true,
    ))->toBeNull();
    $b->now += 241;
    expect($b->done('wait'))->toBeNull()->and($b->state->status)->toBe(RunState::FINISHED);
});

it('goes over to another lot, never to one that goes in already or before the last change, and knows which went in when', function (): void {
    $b = bench();
    $b->tell(EventType::Started);
    expect($b->state->lotAt($b->now))->toBeNull()
        ->and($b->tell(EventType::LotChanged, ['lot' => '7', 'code' => 'L-0007']))->toBe('data.lot: names no lot')
        ->and($b->tell(EventType::LotChanged, ['lot' => 7]))->toBe('data.lot: names no lot')
        ->and($b->tell(EventType::LotChanged, ['lot' => 0, 'code' => 'L-0000']))->toBe('data.lot: names no lot');
    $b->now += 60;
    $from = $b->now;
    expect($b->tell(EventType::LotChanged, ['lot' => 7, 'code' => 'L-0007']))->toBeNull()
        ->and($b->tell(
            EventType::LotChanged,
            ['lot' => 7, 'code' => 'L-0007'],
        ))->toBe('data.lot: L-0007 goes in already')
        ->and($b->state->lotAt($from - 1))->toBeNull()
        ->and($b->state->lotAt($from))->toBe(7);
    $b->now -= 30;
    expect($b->tell(EventType::LotChanged, ['lot' => 8, 'code' => 'L-0008']))
        ->toBe('at: is before lot L-0007 began to go in');
    $b->now += 60;
    expect($b->tell(EventType::LotChanged, ['lot' => 8, 'code' => 'L-0008']))->toBeNull()
        // And back: the run is of it again.
        ->and($b->tell(EventType::LotChanged, ['lot' => 7, 'code' => 'L-0007']))->toBeNull()
        ->and($b->machine->fold($b->events)->lots)->toBe($b->state->lots);
    $b->tell(EventType::Aborted, ['reason' => 'only a test']);
    expect($b->tell(EventType::LotChanged, ['lot' => 8, 'code' => 'L-0008']))->toContain('only notes and corrections');
});
