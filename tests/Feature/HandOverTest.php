<?php

declare(strict_types=1);

use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use Carbon\CarbonImmutable;
use Illuminate\Testing\TestResponse;

function handedOver(float $hours = 8.0, string $who = 'ines'): TestResponse
{
    $now = now()->getTimestamp();

    return test()->signedIn($who)->getJson('/api/v1/handover?'.http_build_query([
        'since' => $now - 3600 * $hours, 'from' => $now - 3600 * 6, 'until' => $now + 3600 * 4,
    ]));
}

it('says what was made, piece by piece as each was judged', function (): void {
    $last = CarbonImmutable::parse(Piece::query()->whereNotNull('verdict')->max('ended_at'));
    $this->travelTo($last->addMinutes(10));
    $since = now()->subHours(30);
    $expected = [];
    foreach (Run::query()->with(['pieces', 'product'])->get() as $run) {
        $pieces = $run->pieces->filter(static fn (Piece $p): bool => $p->ended_at !== null && $p->ended_at >= $since);
        $whole = $run->pieces->isEmpty() && $run->ended_at >= $since ? [$run->verdict] : [];
        foreach ([...$pieces->pluck('verdict')->all(), ...$whole] as $verdict) {
            $count = &$expected[$run->product->name][$verdict ?? 'dropped'];
            $count++;
            unset($count);
        }
    }
    $made = array_column(handedOver(30)->assertOk()->json('made'), null, 'product');
    expect($made)->not->toBe([])->and(array_keys($made))->toEqualCanonicalizing(array_keys($expected));
    foreach ($made as $product => $of) {
        expect($of['good'])->toBe($expected[$product]['good'] ?? 0)
            ->and($of['bad'])->toBe(($expected[$product]['scrap'] ?? 0) + ($expected[$product]['dropped'] ?? 0));
    }
});

it('counts pieces and whole runs of this shift, and none of the one before', function (): void {
    $before = array_column(handedOver(1)->json('made'), 'good', 'product');
    [$id] = heatingPanel();
    tell($id, [['type' => 'aborted', 'data' => ['reason' => 'a cold plate']]]);
    $after = handedOver(1)->assertOk();
    // A run that was stopped made nothing, and is told of.
    expect(array_column($after->json('made'), 'good', 'product'))->toBe($before);
    $told = array_filter($after->json('told'), static fn (array $t): bool => $t['run_id'] === $id);
    expect(array_column($told, 'says'))->toContain('It was stopped: a cold plate');
});

it('tells notes, what stood still and what was gone on from, newest first, own words before all', function (): void {
    [$id] = heatingPanel();
    tell($id, [['type' => 'noted', 'data' => ['text' => 'the left guide squeaks']]]);
    $this->travel(5)->minutes();
    tell($id, [['type' => 'interrupted', 'data' => ['reason' => 'power cut']]]);
    $note = ['id' => fake_uuid(), 'text' => '  Look after the chiller at ten. '];
    $this->signedIn('teodor')->postJson('/api/v1/handover/notes', $note)->assertNoContent();
    $this->postJson('/api/v1/handover/notes', $note)->assertNoContent();
    $told = handedOver(2)->assertOk()->json('told');
    expect($told[0])->toMatchArray(['own' => true, 'says' => 'Look after the chiller at ten.'])
        ->and(array_column(array_filter($told, static fn (array $t): bool => $t['run_id'] === $id), 'says'))
        ->toContain('It stood still: power cut', 'the left guide squeaks')
        ->and(count(array_filter($told, static fn (array $t): bool => $t['own'])))->toBe(1);
    $times = array_column(array_filter($told, static fn (array $t): bool => ! $t['own']), 'at');
    expect($times)->toBe(collect($times)->sortDesc()->values()->all());
});

it('names the machines that are left with something in them, and what comes next', function (): void {
    $over = handedOver()->assertOk();
    $left = array_column($over->json('machines'), null, 'machine');
    expect($left['Wren']['holds'])->toBe('HDPE');
    foreach ($left as $one) {
        $isEmpty = $one['holds'] === null && $one['mould'] === null;
        expect($isEmpty && $one['says'] === 'free' && $one['measured_c'] < 40)->toBeFalse();
    }
    $starts = array_map(static fn (array $j): float => $j['starts'] ?? INF, $over->json('next'));
    $sorted = $starts;
    sort($sorted);
    expect($starts)->toBe($sorted)->and($starts)->not->toBe([]);
});

it('is asked for no more than two days, and says nothing to the next without a word', function (): void {
    $asked = now()->getTimestamp();
    expect(handedOver(500)->assertOk()->json('since'))->toBeGreaterThanOrEqual($asked - 172_801);
    $this->signedIn()->postJson('/api/v1/handover/notes', ['id' => fake_uuid(), 'text' => ''])->assertStatus(422)
        ->assertJsonPath('error.field', 'text');
});
