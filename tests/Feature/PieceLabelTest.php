<?php

declare(strict_types=1);

use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use Dithermic\Core\Run\RunState;

function runOfPieces(): Run
{
    $piece = Piece::query()->where('verdict', 'good')->orderBy('run_id')->firstOrFail();

    return Run::query()->with(['product', 'materials.lot'])->findOrFail($piece->run_id);
}

it('labels a piece with what it is, of which run, and the address of its record', function (): void {
    $run = runOfPieces();
    $number = Piece::query()->where('run_id', $run->id)->min('number');
    $svg = (string) $this->signedIn()->get("/api/v1/runs/{$run->id}/label.svg?piece={$number}")
        ->assertOk()->assertHeader('Content-Type', 'image/svg+xml')->getContent();
    expect($svg)->toContain(sprintf('R-%04d-%d', $run->number, $number))
        ->toContain("/r/{$run->number}/{$number}")
        ->toContain("run {$run->number}, piece {$number}")
        ->toContain(">{$run->polymer}<")
        ->toContain($run->materials[0]->lot->swatch)
        ->not->toContain('may go hot');
    expect(simplexml_load_string($svg))->not->toBeFalse();
    $pdf = $this->get("/api/v1/runs/{$run->id}/label.pdf?piece={$number}")->assertOk()->getContent();
    expect(substr((string) $pdf, 0, 5))->toBe('%PDF-');
});

it('labels the whole of a run, and no piece that it has not', function (): void {
    $run = runOfPieces();
    $svg = (string) $this->signedIn()->get("/api/v1/runs/{$run->id}/label.svg")->assertOk()->getContent();
    expect($svg)->toContain(sprintf('>R-%04d<', $run->number))->toContain("/r/{$run->number}<");
    foreach (['9999', '0', 'x', '-1'] as $piece) {
        $this->getJson("/api/v1/runs/{$run->id}/label.svg?piece={$piece}")
            ->assertStatus(422)->assertJsonPath('error.field', 'piece');
    }
});

it('says the mass that was weighed, where one was', function (): void {
    $panel = Run::query()->where('status', RunState::FINISHED)->whereHas(
        'product',
        static fn ($p) => $p->where('name', 'hive floor panel'),
    )->whereHas('inspection')->with('inspection')->orderByDesc('number')->firstOrFail();
    $svg = (string) $this->signedIn()->get("/api/v1/runs/{$panel->id}/label.svg")->assertOk()->getContent();
    expect($svg)->toContain(number_format((float) $panel->inspection->mass_g, 0, '.', ' ').' g');
});

it('finds a run by the number on a label', function (): void {
    $run = runOfPieces();
    $found = $this->signedIn()->getJson("/api/v1/runs?number={$run->number}")->assertOk()->json('items');
    expect(array_column($found, 'id'))->toBe([$run->id]);
    expect($this->getJson('/api/v1/runs?number=1999999999')->assertOk()->json('items'))->toBe([]);
    $this->getJson('/api/v1/runs?number=x')->assertStatus(422)->assertJsonPath('error.field', 'number');
});
