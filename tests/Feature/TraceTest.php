<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Runs\Models\Run;

/** @return array<string, mixed> */
function traceOf(string $path): array
{
    return test()->signedIn()->getJson("/api/v1/{$path}/trace")->assertOk()->json();
}

/** A line in a lot's ledger, as its acts write them. */
function moved(Lot $lot, float $grams, string $kind, ?Lot $other = null, ?string $run = null): void
{
    LotMovement::query()->create([
        'lot_id' => $lot->id, 'mass_g' => $grams, 'kind' => $kind, 'reason' => '', 'run_id' => $run,
        'other_lot_id' => $other?->id, 'by_id' => person()->id, 'at' => now()->addSeconds(
            LotMovement::query()->count(),
        ),
    ]);
}

it('finds every run that has of a sack, with grams that are the ledger\'s to a thousandth', function (): void {
    $lot = Lot::query()->whereHas(
        'movements',
        static fn ($m) => $m->whereNotNull('run_id'),
    )->orderBy('id')->firstOrFail();
    $trace = traceOf("lots/{$lot->id}");
    $drawn = LotMovement::query()->where('lot_id', $lot->id)->whereNotNull('run_id')
        ->selectRaw('run_id, -sum(mass_g) as g')->groupBy('run_id')->pluck('g', 'run_id');
    $runs = array_values(array_filter($trace['nodes'], static fn (array $n): bool => $n['kind'] === 'run'));
    expect(count($runs))->toBe($drawn->count())->toBeGreaterThan(1)
        ->and(array_sum(array_column($runs, 'grams')))->toEqualWithDelta($drawn->sum(), 0.001 * $drawn->sum());
    foreach ($runs as $node) {
        expect($node['grams'])->toEqualWithDelta((float) $drawn[substr($node['id'], 4)], 0.06);
    }
    $csv = $this->signedIn()->get("/api/v1/lots/{$lot->id}/recall.csv")->assertOk()->getContent();
    expect(substr_count(trim((string) $csv), "\n"))->toBe($drawn->count());
});

it('follows a lot into what it was poured into, and says what may be in it', function (): void {
    [$a, $b, $c] = Lot::factory()->count(3)->create(['polymer' => 'HDPE'])->all();
    $run = Run::query()->orderBy('number')->firstOrFail();
    moved($a, 900, 'delivered');
    moved($b, 300, 'delivered');
    moved($a, -300, 'merged', $c);
    moved($c, 300, 'merged', $a);
    moved($b, -100, 'merged', $c);
    moved($c, 100, 'merged', $b);
    moved($c, -200, 'drawn', run: $run->id);
    $forward = traceOf("lots/{$a->id}");
    $by = array_column($forward['nodes'], null, 'id');
    // Of what came into C 300 of 400 are of A.
    expect($by["lot:{$c->id}"]['share'])->toEqual(0.75)
        ->and($by["lot:{$c->id}"]['sure'])->toBeFalse()
        ->and($by["run:{$run->id}"]['grams'])->toEqual(150)
        ->and($by["lot:{$a->id}"]['column'])->toBeLessThan($by["lot:{$c->id}"]['column'])
        ->and($by["lot:{$c->id}"]['column'])->toBeLessThan($by["run:{$run->id}"]['column'])
        ->and($by)->not->toHaveKey("lot:{$b->id}");
    // And back: the run is of A, of B, and of what it drew before; that is all of it.
    $back = array_column(traceOf("runs/{$run->id}")['nodes'], null, 'id');
    $origins = array_filter($back, static fn (array $n): bool => $n['kind'] === 'lot' && $n['id'] !== "lot:{$c->id}");
    expect(array_sum(array_column($origins, 'share')))->toEqualWithDelta(1.0, 1e-4)
        ->and($back["lot:{$a->id}"]['grams'])->toEqualWithDelta(150.0, 0.1)
        ->and($back["lot:{$b->id}"]['grams'])->toEqualWithDelta(50.0, 0.1);
});

it('goes round no ring for ever, and shows nothing to nobody', function (): void {
    [$a, $b] = Lot::factory()->count(2)->create(['polymer' => 'HDPE'])->all();
    moved($a, 100, 'delivered');
    foreach ([[$a, $b], [$b, $a], [$a, $b]] as [$from, $to]) {
        moved($from, -50, 'merged', $to);
        moved($to, 50, 'merged', $from);
    }
    expect(traceOf("lots/{$a->id}")['nodes'])->toHaveCount(3);
    $this->signedIn()->getJson('/api/v1/lots/987654/trace')->assertNotFound();
    $this->signedIn()->getJson('/api/v1/runs/'.fake_uuid().'/trace')->assertNotFound();
});

it('says where a run came from as PROV-JSON that hangs together', function (): void {
    $run = Run::query()
        ->where('status', 'finished')
        ->has('outputs')
        ->with(['outputs', 'stations'])
        ->orderByDesc('number')
        ->firstOrFail();
    $prov = $this->signedIn()->getJson("/api/v1/runs/{$run->id}/prov.json")->assertOk()
        ->assertHeader('Content-Disposition', "attachment; filename=\"run-{$run->number}.prov.json\"")->json();
    $known = [...array_keys($prov['entity']), ...array_keys($prov['activity']), ...array_keys($prov['agent'])];
    // Whatever a relation names is there, and every name is in the one space that is declared.
    foreach (['used', 'wasDerivedFrom', 'wasGeneratedBy', 'wasAssociatedWith'] as $relation) {
        foreach ($prov[$relation] ?? [] as $id => $of) {
            expect($id)->toStartWith('_:');
            foreach (['activity', 'entity', 'agent', 'plan', 'generatedEntity', 'usedEntity'] as $end) {
                isset($of["prov:{$end}"]) && expect($known)->toContain($of["prov:{$end}"]);
            }
        }
    }
    foreach ($known as $name) {
        expect($name)->toMatch('#^d:[a-z]+/[^:]+$#');
    }
    expect(array_keys($prov['prefix']))->toBe(['d', 'prov', 'xsd'])
        ->and(array_key_first($prov['activity']))->toBe("d:run/{$run->id}")
        ->and(count($prov['wasGeneratedBy']))->toBe($run->outputs->count())
        ->and(count(array_filter($prov['agent'], static fn (array $a): bool => $a['prov:type'] === 'd:machine')))
        ->toBe($run->stations->pluck('machine_id')->unique()->count());
});

it('gives a run the grams that its ledger drew, and derives a lot from what was poured into it', function (): void {
    [$a, $b] = Lot::factory()->count(2)->create(['polymer' => 'HDPE'])->all();
    $run = Run::query()->orderBy('number')->firstOrFail();
    moved($a, 900, 'delivered');
    moved($a, -300, 'merged', $b);
    moved($b, 300, 'merged', $a);
    moved($b, -120.5, 'drawn', run: $run->id);
    $prov = $this->signedIn()->getJson("/api/v1/runs/{$run->id}/prov.json")->assertOk()->json();
    $used = array_column($prov['used'], 'd:grams', 'prov:entity');
    expect($used["d:lot/{$b->id}"])->toEqualWithDelta(120.5, 0.01);
    $derived = array_filter(
        $prov['wasDerivedFrom'],
        static fn (array $d): bool => $d['prov:generatedEntity'] === "d:lot/{$b->id}"
            && $d['prov:usedEntity'] === "d:lot/{$a->id}",
    );
    expect($derived)->toHaveCount(1)->and($prov['entity']["d:lot/{$a->id}"]['prov:label'])->toBe($a->code);
});

it('tells nobody who has not signed in where a run came from', function (): void {
    $this->getJson('/api/v1/runs/'.Run::query()->value('id').'/prov.json')->assertUnauthorized();
});
