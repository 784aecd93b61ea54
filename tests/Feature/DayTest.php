<?php

declare(strict_types=1);

use App\Planning\Models\DayPlanned;
use App\Planning\Models\ShopOrder;
use App\Planning\Queries\LastDays;
use App\Planning\Support\OrderEntryKind;
use App\Runs\Models\Run;
use App\Shop\Models\GoodsMovement;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Shop\Queries\Goods;
use App\Shop\Support\GoodsMovementKind;
use Carbon\Carbon;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

function productNamed(string $name): Product
{
    return Product::query()->where('name', $name)->firstOrFail();
}

/** Puts so many on the shelf, as somebody who counted would. */
function standing(Product $product, int $held): void
{
    GoodsMovement::query()->create([
        'id' => fake_uuid(), 'product_id' => $product->id, 'kind' => GoodsMovementKind::Counted,
        'count' => $held - app(Goods::class)->held($product), 'reason' => 'a test', 'by_id' => person('maren')->id,
        'at' => now(),
    ]);
}

function order(Product $product, int $count, float $hours = 6.0, array $over = []): TestResponse
{
    return test()->signedIn()->postJson('/api/v1/orders', $over + [
        'id' => fake_uuid(), 'product_id' => $product->id, 'count' => $count, 'due' => shopNow() + 3600 * $hours,
        'words' => 'the apiary on the hill',
    ]);
}

function dayFrom(): float
{
    static $from = null;

    return $from ??= 3600 * floor(shopNow() / 3600) - 3600;
}

/** @return array<string, mixed> */
function dayNow(float $hours = 10.0): array
{
    return test()->signedIn()->getJson(
        '/api/v1/day?from='.dayFrom().'&until='.(dayFrom() + 3600 * $hours),
    )->assertOk()->json();
}

/** @return array<string, mixed>|null */
function jobFor(array $day, ?int $order): ?array
{
    return array_values(array_filter($day['jobs'], static fn (array $j): bool => $j['order'] === $order))[0] ?? null;
}

beforeEach(function (): void {
    Product::query()->update(['reorder_at' => null, 'make_to' => null]);
    // Of the demo nobody waits any more.
    foreach (ShopOrder::query()->open()->get() as $order) {
        $order->log()->create(['kind' => OrderEntryKind::Cancelled, 'by_id' => person()->id, 'at' => now()]);
    }
});

it('makes what is missing to an order, says until when and how sure that is', function (): void {
    $panel = productNamed('hive floor panel');
    standing($panel, 2);
    $order = order($panel, 5)->assertCreated()->json('items.0');
    expect($order)->toMatchArray(['count' => 5, 'ready' => 2, 'words' => 'the apiary on the hill']);
    $day = dayNow();
    $job = jobFor($day, $order['number']);
    expect($job['count'])->toBe(3)
        ->and($job['machine'])->toBe('Anvil')
        ->and($job['starts'])->toBeGreaterThan($day['now'] - 301)
        ->and($job['ends'])->toBeGreaterThan($job['starts'] + 20 * 60)
        ->and($job['likely_to'])->toBeGreaterThan($job['likely_from'])
        ->and($job['known_from'])->toBeGreaterThan(3)
        ->and($job['late_min'])->toEqual(0);
    $lanes = array_column($day['lanes'], 'bars', 'name');
    $coming = array_filter($lanes['Anvil'], static fn (array $b): bool => $b['job'] === $job['id']);
    expect($coming)->toHaveCount(3)->and(array_column($day['hands'], 'name'))->toContain('Ines Halloran');
    // Hot, then cold without waiting, for each of them.
    $cold = array_merge($lanes['Pond'], $lanes['Little Pond']);
    foreach ($coming as $bar) {
        expect(array_filter($cold, static fn (array $b): bool => abs($b['from'] - $bar['to']) < 2))->not->toBe([]);
    }
});

it('says how late it is, and what holds it up', function (): void {
    standing(productNamed('hive floor panel'), 0);
    $order = order(productNamed('hive floor panel'), 12, 0.5)->json('items.0');
    $job = jobFor(dayNow(), $order['number']);
    expect($job['late_min'])->toBeGreaterThan(60)->and($job['because'])->not->toBe([]);
});

it('is the same plan until something is otherwise, and tells then what moved', function (): void {
    // Within five minutes of the day: a plan is of those.
    $this->freezeTime();
    standing(productNamed('hive floor panel'), 0);
    order(productNamed('hive floor panel'), 4);
    $first = dayNow();
    expect(dayNow()['planned_at'])->toBe($first['planned_at'])->and(DayPlanned::query()->count())->toBe(1);
    $hash = DayPlanned::query()->value('hash');
    standing(productNamed('stand rail'), 0);
    order(productNamed('stand rail'), 4);
    $second = dayNow();
    expect(DayPlanned::query()->value('hash'))->not->toBe($hash)
        ->and(DayPlanned::query()->count())->toBe(1)
        ->and(implode(' ', $second['moved']))->toContain('is new')
        ->and($first['moved'])->toBe([]);
});

it('plans with who is here, and not without anybody', function (): void {
    standing(productNamed('hive floor panel'), 0);
    order(productNamed('hive floor panel'), 3);
    $day = dayNow();
    $away = static fn (array $lane): TestResponse => test()->signedIn()->postJson('/api/v1/day/people', [
        'id' => fake_uuid(), 'day' => $day['from'], 'person_id' => $lane['id'], 'from' => $day['from'],
        'to' => $day['from'],
    ]);
    $all = $day['hands'];
    foreach (array_slice($all, 1) as $lane) {
        $away($lane)->assertNoContent();
    }
    // Two are wanted to slide a stack in: one alone cannot.
    $alone = dayNow();
    expect($alone['jobs'][0]['starts'])->toBeNull()->and($alone['jobs'][0]['holds'])->not->toBe([]);
    $away($all[0])->assertNoContent();
    $nobody = dayNow();
    expect($nobody['jobs'][0]['ends'])->toBeNull()
        ->and(array_filter($nobody['hands'], static fn (array $h): bool => $h['here_to'] > $h['here_from']))->toBe([]);
});

it('keeps a pinned job where it was pinned, frees it, and leaves one out', function (): void {
    standing(productNamed('hive floor panel'), 0);
    $number = order(productNamed('hive floor panel'), 2)->json('items.0.number');
    $day = dayNow();
    $at = 300 * ceil((shopNow() + 2 * 3600) / 300);
    $wish = static fn (string $kind, int $after, ?float $start = null): TestResponse => test()->signedIn()
        ->postJson('/api/v1/day/wishes', [
            'id' => fake_uuid(), 'day' => $day['from'], 'after' => $after, 'job' => "order-{$number}", 'kind' => $kind,
            'start' => $start,
        ]);
    $wish('pinned', 0, $at)->assertNoContent();
    $pinned = dayNow();
    expect(jobFor($pinned, $number)['starts'])->toEqualWithDelta($at, 1)
        ->and(jobFor($pinned, $number)['wish'])->toBe('pinned');
    $wish('free', 0)->assertUnprocessable()->assertJsonPath('error.field', 'after');
    $wish('free', $pinned['after'])->assertNoContent();
    $free = dayNow();
    expect(jobFor($free, $number)['starts'])->toBeLessThan($at);
    $wish('left_out', $free['after'])->assertNoContent();
    expect(jobFor(dayNow(), $number)['starts'])->toBeNull();
    $wish('pinned', 0)->assertUnprocessable()->assertJsonPath('error.field', 'start');
});

it('never asks more of the supply than it carries', function (): void {
    foreach (['hive floor panel' => 4, 'stand rail' => 4, 'entrance reducer' => 10] as $name => $count) {
        standing(productNamed($name), 0);
        order(productNamed($name), $count);
    }
    $supply = static fn (string $who, ?float $amps): TestResponse => test()->signedIn($who)
        ->postJson('/api/v1/day/supply', ['id' => fake_uuid(), 'phases' => 1, 'amps' => $amps]);
    $supply('ines', 30.0)->assertForbidden();
    $before = dayNow();
    expect($before['supply_a'])->toBeNull()->and($before['supply_peak_a'])->toBeGreaterThan(21.0);
    $supply('maren', 21.0)->assertNoContent();
    $after = dayNow();
    expect($after['supply_a'])->toEqual(21)->and($after['supply_peak_a'])->toBeLessThanOrEqual(21.0);
    $supply('maren', 0.0)->assertUnprocessable();
});

it('delivers off the shelf, and no more than stand there', function (): void {
    $panel = productNamed('hive floor panel');
    standing($panel, 4);
    $order = order($panel, 5)->json('items.0');
    $say = static fn (array $said): TestResponse => test()->signedIn()
        ->postJson("/api/v1/orders/{$order['id']}/entries", $said + ['id' => fake_uuid(), 'after' => 0]);
    $say(['kind' => 'delivered'])->assertUnprocessable()->assertJsonPath('error.field', 'count');
    expect(app(Goods::class)->held($panel))->toBe(4);
    standing($panel, 7);
    $id = fake_uuid();
    $say(['kind' => 'delivered', 'id' => $id])->assertCreated()->assertJsonCount(0, 'items');
    $say(['kind' => 'delivered', 'id' => $id])->assertCreated();
    expect(app(Goods::class)->held($panel))->toBe(2);
    $say(['kind' => 'cancelled', 'reason' => 'x'])->assertUnprocessable()->assertJsonPath('error.field', 'order');
});

it('moves and cancels an order with a reason, one after another', function (): void {
    $order = order(productNamed('stand rail'), 2)->json('items.0');
    $say = static fn (array $said): TestResponse => test()->signedIn()
        ->postJson("/api/v1/orders/{$order['id']}/entries", $said + ['id' => fake_uuid(), 'after' => 0]);
    $later = shopNow() + 3 * 86_400;
    $say(['kind' => 'moved'])->assertUnprocessable()->assertJsonPath('error.field', 'due');
    $moved = $say(['kind' => 'moved', 'due' => $later])->assertCreated()->json('items.0');
    expect($moved['due'])->toEqualWithDelta($later, 1);
    $say(
        ['kind' => 'cancelled', 'reason' => 'they found some'],
    )->assertUnprocessable()->assertJsonPath('error.field', 'after');
    $say(
        ['kind' => 'cancelled', 'after' => $moved['after']],
    )->assertUnprocessable()->assertJsonPath('error.field', 'reason');
    $say(
        ['kind' => 'cancelled', 'after' => $moved['after'], 'reason' => 'they found some'],
    )->assertCreated()->assertJsonCount(0, 'items');
});

it('refuses what is no order, and keeps one sent twice once', function (array $over, string $field): void {
    order(productNamed('stand rail'), 2, over: $over)->assertUnprocessable()->assertJsonPath('error.field', $field);
    expect(ShopOrder::query()->open()->count())->toBe(0);
})->with([
    'none' => [['count' => 0], 'count'],
    'of nothing' => [['product_id' => 999_999], 'product_id'],
    'for last year' => [['due' => 1_700_000_000], 'due'],
    'of words' => [['count' => 'many'], 'count'],
    'a book' => [['words' => str_repeat('x', 201)], 'words'],
]);

it('takes an order once, however often it is sent, and for ever', function (): void {
    $id = fake_uuid();
    $due = shopNow() + 3600;
    order(productNamed('stand rail'), 2, over: ['id' => $id, 'due' => $due])->assertCreated();
    order(
        productNamed('stand rail'),
        2,
        over: ['id' => $id, 'due' => $due],
    )->assertCreated()->assertJsonCount(1, 'items');
    order(productNamed('stand rail'), 3, over: ['id' => $id, 'due' => $due])->assertConflict();
    expect(static fn () => DB::table('orders')->update(['count' => 9]))->toThrow(QueryException::class);
});

it('asks for a day that is one', function (): void {
    $this->signedIn()->getJson('/api/v1/day')->assertUnprocessable();
    $this->signedIn()->getJson('/api/v1/day?from=100&until=50')->assertUnprocessable();
    $this->signedIn()->getJson('/api/v1/day?from=abc&until=50')->assertUnprocessable();
    $this->getJson('/api/v1/orders')->assertOk();
});

it('plans a day however much is ordered, what is due first before the rest', function (): void {
    foreach (Product::query()->get() as $i => $product) {
        order($product, 100_000, 40 + $i)->assertCreated();
    }
    standing(productNamed('hive floor panel'), 0);
    $soon = order(productNamed('hive floor panel'), 3, 4)->json('items.0.number');
    $day = dayNow();
    expect(jobFor($day, $soon)['ends'])->not->toBeNull()
        ->and(count($day['jobs']))->toBeGreaterThan(5);
});

it('knows a machine to be busy until all that was wanted of its run is made', function (): void {
    standing(productNamed('hive floor panel'), 0);
    $number = order(productNamed('hive floor panel'), 1)->json('items.0.number');
    $free = jobFor(dayNow(), $number)['starts'];
    startRun(['settings' => ['sheets' => 8]]);
    $busy = jobFor(dayNow(), $number);
    // Eight sheets, the next every quarter of an hour or so.
    expect($busy['starts'])->toBeGreaterThan($free + 80 * 60)
        ->and(implode($busy['first']))->toContain('wait for Anvil');
});

it('plans what waits to be finished into the hands of who is free, and makes none of it again', function (): void {
    $reducer = productNamed('entrance reducer');
    $parts = $this
        ->signedIn('maren')
        ->postJson('/api/v1/parts', ['name' => 'oak dowel'])
        ->assertCreated()
        ->json('items');
    $dowel = collect($parts)->firstWhere('name', 'oak dowel')['id'];
    $this
        ->postJson("/api/v1/parts/{$dowel}/movements", ['id' => fake_uuid(), 'kind' => 'came', 'count' => 12])
        ->assertCreated();
    $this->postJson("/api/v1/products/{$reducer->id}/finishing", ['after' => 0, 'operations' => [
        ['title' => 'saw', 'minutes' => 3, 'people' => 1, 'uses' => []],
        ['title' => 'fit', 'minutes' => 2, 'people' => 1, 'uses' => [['part_id' => $dowel, 'count' => 2]]],
    ]])->assertOk();
    standing($reducer, 0);
    DB::table('goods_totals')->where('product_id', $reducer->id)->increment('made', 8);
    order($reducer, 4)->assertCreated();
    $day = dayNow();
    $work = array_values(array_filter(
        $day['works'],
        static fn (array $w): bool => $w['product_id'] === $reducer->id,
    ))[0];
    // Twelve dowels are six of them, at five minutes each.
    expect($work)->toMatchArray(['says' => 'saw, fit: entrance reducer', 'count' => 8, 'can' => 6, 'hands_min' => 30])
        ->and($work['due'])->not->toBeNull()
        ->and($work['holds'])->toBe(['16 × oak dowel are wanted, and 12 are there: 4 are missing.'])
        ->and($work['starts'])->toBeGreaterThanOrEqual($day['from'])
        ->and($work['ends'] - $work['starts'])->toBeGreaterThanOrEqual(1800 / 4)
        // The order's four are among the eight that wait.
        ->and(jobFor($day, $day['orders'][0]['number']))->toBeNull();
    $hands = array_merge(...array_column($day['hands'], 'bars'));
    $minutes = array_sum(array_map(
        static fn (array $b): float => $b['says'] === 'saw, fit: entrance reducer' ? ($b['to'] - $b['from']) / 60 : 0.0,
        $hands,
    ));
    expect($minutes)->toEqualWithDelta(30, 0.1);
});

it('plans nothing on a machine while somebody works on it', function (): void {
    $board = productNamed('divider board');
    standing($board, 0);
    order($board, 2)->assertCreated();
    $before = dayNow();
    $job = jobFor($before, $before['orders'][0]['number']);
    expect($job['starts'])->not->toBeNull();
    $anvil = machineNamed('Anvil');
    [$from, $to] = [$before['now'] - 60, $before['now'] + 3 * 3600];
    $says = [
        'id' => fake_uuid(), 'day' => dayFrom(), 'machine_id' => $anvil, 'from' => $from, 'to' => $to,
        'why' => 'guides greased',
    ];
    $this->postJson('/api/v1/day/machines', $says)->assertNoContent();
    $this->postJson('/api/v1/day/machines', $says)->assertNoContent();
    $after = dayNow();
    expect($after['standstills'])
        ->toEqual([['machine_id' => $anvil, 'from' => $from, 'to' => $to, 'why' => 'guides greased']]);
    $bars = collect($after['lanes'])->firstWhere('id', $anvil)['bars'];
    foreach (array_filter($bars, static fn (array $b): bool => $b['coming'] && $b['job'] !== null) as $bar) {
        expect($bar['from'])->toBeGreaterThanOrEqual($to - 1.0);
    }
    // It does not stand after all.
    $this
        ->postJson('/api/v1/day/machines', ['id' => fake_uuid(), 'from' => $from, 'to' => $from] + $says)
        ->assertNoContent();
    expect(dayNow()['standstills'])->toBe([]);
    $this->postJson('/api/v1/day/machines', ['id' => fake_uuid(), 'to' => $from - 1] + $says)
        ->assertStatus(422)->assertJsonPath('error.field', 'to');
});

it('goes over a day off to the next that is worked, and is empty on one', function (): void {
    $panel = productNamed('hive floor panel');
    standing($panel, 0);
    order($panel, 50, 72)->assertCreated();
    $late = static fn (array $day): float => max(
        0.0,
        ...array_map(static fn (array $j): float => (float) $j['ends'], $day['jobs']),
    );
    $worked = $late(dayNow());
    $tomorrow = dayFrom() + 86_400;
    $this->signedIn('ines')
        ->postJson('/api/v1/day/off', ['id' => fake_uuid(), 'day' => $tomorrow, 'off' => true])
        ->assertForbidden();
    $this->signedIn('maren')->postJson('/api/v1/day/off', [
        'id' => fake_uuid(), 'day' => $tomorrow, 'off' => true, 'why' => 'market',
    ])->assertNoContent();
    $day = dayNow();
    expect($day['days_off'])->toEqual([['day' => $tomorrow, 'why' => 'market']]);
    if ($worked > $tomorrow) {
        // What went over to tomorrow goes over to the day after.
        expect($late($day))->toBeGreaterThan($tomorrow + 86_400 - 43_200);
    }
    $this->signedIn('maren')
        ->postJson('/api/v1/day/off', ['id' => fake_uuid(), 'day' => $tomorrow, 'off' => false])
        ->assertNoContent();
    $this->postJson('/api/v1/day/off', ['id' => fake_uuid(), 'day' => dayFrom(), 'off' => true])->assertNoContent();
    $off = dayNow();
    expect(array_column($off['days_off'], 'day'))->toEqual([dayFrom()])
        ->and(array_filter(array_column($off['jobs'], 'starts')))->toBe([]);
    // Who comes in all the same is planned; a panel wants two.
    foreach (['maren', 'ines'] as $who) {
        $this->postJson('/api/v1/day/people', [
            'id' => fake_uuid(), 'day' => dayFrom(), 'person_id' => person($who)->id,
            'from' => dayFrom(), 'to' => dayFrom() + 36_000,
        ])->assertNoContent();
    }
    expect(array_filter(array_column(dayNow()['jobs'], 'starts')))->not->toBe([]);
});

it('holds at nine what was said at seven: who is here, which machine stands, what is left out', function (): void {
    $board = productNamed('divider board');
    standing($board, 0);
    order($board, 2)->assertCreated();
    $six = dayFrom();
    $day = dayNow();
    $job = jobFor($day, $day['orders'][0]['number']);
    $jun = person('jun')->id;
    $this->postJson(
        '/api/v1/day/people',
        ['id' => fake_uuid(), 'day' => $six, 'person_id' => $jun, 'from' => $six, 'to' => $six],
    )
        ->assertNoContent();
    $this->postJson('/api/v1/day/machines', [
        'id' => fake_uuid(), 'day' => $six, 'machine_id' => machineNamed('Wren'), 'from' => $six, 'to' => $six + 7200,
        'why' => '',
    ])->assertNoContent();
    $this->postJson('/api/v1/day/wishes', [
        'id' => fake_uuid(), 'day' => $six, 'job' => $job['id'], 'kind' => 'left_out', 'after' => $day['after'],
    ])->assertNoContent();
    // A screen that is opened later has the day begin later.
    $eight = $six + 7200;
    $later = $this->getJson("/api/v1/day?from={$eight}&until=".($eight + 36_000))->assertOk()->json();
    $his = collect($later['hands'])->firstWhere('id', $jun);
    expect($his['here_to'])->toBeLessThanOrEqual($his['here_from'])
        ->and(array_column($later['standstills'], 'machine_id'))->toBe([machineNamed('Wren')])
        ->and(jobFor($later, $day['orders'][0]['number'])['wish'])->toBe('left_out');
    // And the next wish names the one that was made in the morning.
    $this->postJson('/api/v1/day/wishes', [
        'id' => fake_uuid(), 'day' => $eight, 'job' => $job['id'], 'kind' => 'free', 'after' => 0,
    ])->assertStatus(422)->assertJsonPath('error.field', 'after');
    $this->postJson('/api/v1/day/wishes', [
        'id' => fake_uuid(), 'day' => $eight, 'job' => $job['id'], 'kind' => 'free', 'after' => $later['after'],
    ])->assertNoContent();
});

/** What one more would have given on the days before one, with so many seconds for all plans. */
function lastDays(float $midnight, float $seconds): array
{
    app()->when(LastDays::class)->needs('$seconds')->give($seconds);

    return test()->getJson("/api/v1/day/more?from={$midnight}&until=".($midnight + 86_400))->assertOk()->json();
}

it('says what one more would have given on the days that the shop had', function (): void {
    $this->signedIn();
    // The demo's first month of three: a third of the plans tells as much.
    $midnight = 86_400 * floor(shopNow() / 86_400) - 60 * 86_400;
    $found = lastDays($midnight, INF);
    $runs = Run::query()->where('status', 'finished')->where('started_at', '<', Carbon::createFromTimestamp($midnight))
        ->where('started_at', '>=', Carbon::createFromTimestamp($midnight - 90 * 86_400))
        ->get()
        ->countBy(static fn (Run $run): string => $run->started_at->format('Y-m-d'));
    $options = collect($found['options'])->keyBy('name');
    expect($found['worked'])
        ->toBe($runs->filter(static fn (int $count): bool => $count > 1)->count())
        ->toBeGreaterThan(10)
        ->and($found['made'])->toBe($found['worked'])
        ->and($found['days_year'])->toBe((int) round(365 / 90 * $runs->count()))
        ->and($options->keys()->all())->toContain('one more pair of hands')
        ->and($options)->toHaveCount(5)
        // The plunger injector, whose runs are the longest, holds the demo's days up.
        ->and($options['one more like Heron']['sooner_min'])->toBeGreaterThan(1.0)
        ->and($options['one more like Heron']['most_min'])->toBeGreaterThanOrEqual(
            $options['one more like Heron']['sooner_min'],
        )
        ->and(array_column($found['options'], 'sooner_min'))->toEqual(
            collect($found['options'])->pluck('sooner_min')->sortDesc()->values()->all(),
        );
    // The same days are not planned a second time.
    Machine::query()->where('name', 'Heron')->update(['name' => 'Crane']);
    expect(lastDays($midnight, INF))->toBe($found);
});

it('says of how many days when there was no time for all of them, and asks again later', function (): void {
    $this->signedIn();
    $midnight = 86_400 * floor(shopNow() / 86_400) - 60 * 86_400;
    $none = lastDays($midnight, 0.0);
    expect($none['worked'])->toBe(0)
        ->and($none['made'])->toBeGreaterThan(10);
    $this->travel(11)->minutes();
    expect(lastDays($midnight, INF)['worked'])->toBe($none['made']);
});

it('keeps its plan in the evening too, when the day is over and somebody still looks', function (): void {
    $this->signedIn();
    // A day that ended hours ago, asked for twice within one stretch of five minutes.
    $from = floor(shopNow()) - 36_060;
    $look = fn (): array => $this->getJson("/api/v1/day?from={$from}&until=".($from + 21_600))->assertOk()->json();
    $look();
    $made = DayPlanned::query()->latest('at')->firstOrFail();
    $look();
    expect(DayPlanned::query()->latest('at')->firstOrFail()->only(['hash', 'at']))
        ->toEqual($made->only(['hash', 'at']));
});
