<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Material\Models\Source;
use App\Support\Csv;
use Illuminate\Http\UploadedFile;

function csv(string $text): UploadedFile
{
    return UploadedFile::fake()->createWithContent('rows.csv', $text);
}

it('reads what spreadsheets write', function (string $text): void {
    $rows = Csv::read($text, ['name', 'mass_g']);
    expect($rows)->toHaveCount(1)
        ->and($rows[0]['name'])
        ->toBe('leaf, green')
        ->and(Csv::number($rows[0]['mass_g']))
        ->toBe(1250.5);
})->with([
    "name,mass_g\n\"leaf, green\",1250.5\n",
    "\xEF\xBB\xBFName;Mass_g\r\nleaf, green;1250,5\r\n",
    "name\tmass_g\nleaf, green\t1.250,5\n\n",
]);

it('tells numbers from other things', function (string $cell, ?float $is): void {
    expect(Csv::number($cell))->toBe($is);
})->with([
    ['12', 12.0],
    ['-3,25', -3.25],
    ['1 000.5', 1000.5],
    ['1e9', null],
    ['', null],
    ['=1+1', null],
    ['0x1f', null],
    ['12 g', null],
]);

it('lets nothing out that a spreadsheet would run', function (): void {
    $text = Csv::write(['a'], [['=cmd()'], ['@x'], ['-12.5'], ['plain'], [-3.5]]);
    expect($text)->toContain("'=cmd()")->toContain("'@x")->toContain("\n-12.5")->toContain("\n-3.5");
    expect(Csv::read($text, ['a'])[0]['a'])->toBe('=cmd()');
});

it('brings lots in all or not at all, with a dry run first and errors by row', function (): void {
    $good = "source;polymer;form;colour;mass_g;location\nMarket co-op;PP;flake;honey;1500,5;Rack F1\nMarket co-op;HDPE;flake;blue;2000;Rack F2\n";
    $bad = $good
        ."Nobody;PP;flake;red;1;x\nMarket co-op;WOOD;flake;red;1;x\nMarket co-op;PP;cake;red;1;x\nMarket co-op;PP;flake;red;heavy;x\n";
    $before = Lot::query()->count();
    $this->signedIn();
    $send = fn (string $kind, string $text, bool $dry, ?string $id = null) => $this->post(
        "/api/v1/transfer/{$kind}",
        ['file' => csv($text), 'id' => $id ?? fake_uuid(), 'preview' => $dry ? '1' : '0'],
        ['Accept' => 'application/json'],
    );
    $errors = $send('lots', $bad, true)->assertOk()->json('errors');
    expect(array_column($errors, 'row'))->toBe([4, 5, 6, 7])
        ->and(array_column($errors, 'field'))
        ->toBe(['source', 'polymer', 'form', 'mass_g']);
    $send('lots', $bad, false)->assertStatus(422);
    $send('lots', $good, true)->assertOk()->assertJsonPath('rows', 2);
    expect(Lot::query()->count())->toBe($before);
    $id = fake_uuid();
    $send('lots', $good, false, $id)->assertOk();
    $send('lots', $good, false, $id)->assertOk();
    expect(Lot::query()->count())->toBe($before + 2)->and(
        (float) Lot::query()->withHeld()->where('colour', 'honey')->firstOrFail()->held_g,
    )->toBe(1500.5);
    $send('lots', "colour\nred\n", true)->assertStatus(422)->assertJsonPath('error.field', 'file');
    $send(
        'lots',
        "source,polymer,form,colour,mass_g\nMarket co-op,PP,flake,\xFF,1\n",
        true,
    )->assertStatus(422)->assertJsonPath('error.field', 'file');
});

it('brings in sources, corrections and mixes, and gives out what it takes in', function (): void {
    $this->signedIn();
    $send = fn (string $kind, string $text) => $this->post(
        "/api/v1/transfer/{$kind}",
        ['file' => csv($text), 'id' => fake_uuid(), 'preview' => '0'],
        ['Accept' => 'application/json'],
    );
    $send('sources', "name,note\nVillage fete,cups\n")->assertOk();
    expect(Source::query()->where('name', 'Village fete')->firstOrFail()->state->value)->toBe('on_trial');
    $send('sources', "name\nVillage fete\n")->assertStatus(422);
    $twice = ['id' => fake_uuid(), 'preview' => '0'];
    foreach ([1, 2] as $time) {
        $this->post(
            '/api/v1/transfer/sources',
            $twice + ['file' => csv("name\nHarvest fair\n")],
            ['Accept' => 'application/json'],
        )->assertOk()->assertJsonPath('rows', 1);
    }
    expect(Source::query()->where('name', 'Harvest fair')->count())->toBe(1);
    $held = (float) lot('L-0106')->held_g;
    $send('movements', "lot,mass_g,reason\nL-0106,-200,floor sweep\nL-0106,50,found again\n")->assertOk();
    expect((float) lot('L-0106')->held_g)->toBe($held - 150);
    $send('movements', "lot,mass_g,reason\nL-0106,-200,x\nL-0106,-9999999,too much\n")->assertStatus(422);
    expect((float) lot('L-0106')->held_g)->toBe($held - 150);
    $send(
        'mixes',
        "mix,polymer,component,swatch,parts,kind\nstripes,HDPE,leaf green,#4f8a3c,6,colour\nstripes,HDPE,black,#2b2b2b,3,colour\n",
    )->assertOk();
    $mixes = Csv::read(
        $this->get('/api/v1/transfer/mixes.csv')->assertOk()->getContent(),
        ['mix', 'component', 'parts'],
    );
    expect(array_column(
        array_filter($mixes, static fn (array $m): bool => $m['mix'] === 'stripes'),
        'component',
    ))->toBe(['leaf green', 'black']);
    $lots = Csv::read($this->get('/api/v1/transfer/lots.csv')->getContent(), ['code', 'mass_g']);
    expect((float) array_column($lots, 'mass_g', 'code')['L-0106'])->toBe($held - 150);
    expect($this->get('/api/v1/transfer/movements.csv')->getContent())->toContain('floor sweep')
        ->and($this->get('/api/v1/transfer/sources.csv')->getContent())
        ->toContain('Village fete');
});
