<?php

declare(strict_types=1);

use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Models\Source;
use App\Runs\Models\ProcedureEntry;
use App\Shop\Models\Machine;
use App\Shop\Models\MachineFact;
use App\Shop\Models\PolymerOverride;
use App\Shop\Models\Product;
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
    // What is known stays; twice in one file is a slip.
    $send('sources', "name\nVillage fete\n")->assertOk()->assertJsonPath('would', ['Village fete: as it was']);
    $send('sources', "name\nVillage fair\nVillage fair\n")->assertStatus(422)->assertJsonPath('errors.0.row', 3);
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

/** @return Illuminate\Testing\TestResponse what a file did, sent by a lead */
function bringFile(string $kind, string $text, bool $dry = false, string $login = 'maren', ?string $id = null)
{
    return test()->signedIn($login)->post(
        "/api/v1/transfer/{$kind}",
        ['file' => csv($text), 'id' => $id ?? fake_uuid(), 'preview' => $dry ? '1' : '0'],
        ['Accept' => 'application/json'],
    );
}

function takenOut(string $kind): string
{
    return (string) test()->signedIn('maren')->get("/api/v1/transfer/{$kind}.csv")->assertOk()->getContent();
}

it('changes nothing by what it has given out itself, and doubles no stock', function (string $kind): void {
    $out = takenOut($kind);
    $stock = (float) LotMovement::query()->sum('mass_g');
    $counts = [
        Lot::query()->count(),
        Source::query()->count(),
        Machine::query()->count(),
        Product::query()->count(),
        MachineFact::query()->count(),
    ];
    $done = bringFile($kind, $out)->assertOk();
    expect(
        array_filter($done->json('would'), static fn (string $says): bool => ! str_contains($says, 'as it was')),
    )->toBe([])
        ->and((float) LotMovement::query()->sum('mass_g'))->toBe($stock)
        ->and(
            [
                Lot::query()->count(),
                Source::query()->count(),
                Machine::query()->count(),
                Product::query()->count(),
                MachineFact::query()->count(),
            ],
        )
        ->toBe($counts)
        ->and(takenOut($kind))->toBe($out);
})->with(['sources', 'lots', 'machines', 'products']);

it('changes a lot that its code names, but neither what it is nor what it holds', function (): void {
    $lot = lot('L-0101');
    bringFile('lots', "code,source,polymer,form,colour,mass_g,location\nL-0101,,,,moss green,,Rack Z9\n")->assertOk()
        ->assertJsonPath('would', ['L-0101: colour moss green, location Rack Z9']);
    expect($lot->refresh()->only('colour', 'location'))->toBe(['colour' => 'moss green', 'location' => 'Rack Z9']);
    foreach ([['polymer', 'PP,,,'], ['form', ',sheet,,'], ['mass_g', ',,,5']] as [$field, $cells]) {
        bringFile(
            'lots',
            "code,polymer,form,colour,mass_g,source\nL-0101,{$cells},\n",
        )->assertStatus(422)->assertJsonPath('errors.0.field', $field);
    }
    bringFile('lots', "code,source,polymer,form,colour,mass_g\nL-9999,Market co-op,PP,flake,red,5\n")->assertStatus(422)
        ->assertJsonPath('errors.0.field', 'code');
});

it('enters machines and moulds by a row for each fact, and says better what is known of others', function (): void {
    $file = "machine,kind,fact,value,origin\nOld Oak,hot_press,heater_kw,\"1,8\",plate\nOld Oak,hot_press,max_c,250,\nAnvil,,heater_kw,2.4,measured\nAnvil,,amps,,\n";
    bringFile('machines', $file, true)->assertOk()->assertJsonPath('would', [
        'Old Oak: a new hot press',
        'Old Oak, heater_kw: not known → 1.8',
        'Old Oak, max_c: not known → 250',
        'Anvil, heater_kw: 2.2 → 2.4',
        'Anvil, amps: 20 → not known',
    ]);
    expect(Machine::query()->where('name', 'Old Oak')->exists())->toBeFalse();
    $id = fake_uuid();
    bringFile('machines', $file, false, 'maren', $id)->assertOk();
    bringFile('machines', $file, false, 'maren', $id)->assertOk();
    $oak = Machine::query()->where('name', 'Old Oak')->firstOrFail();
    $anvil = Machine::query()->where('name', 'Anvil')->firstOrFail();
    expect($oak->facts)->toEqual(['heater_kw' => 1.8, 'max_c' => 250])
        ->and($oak->factLog->firstWhere('name', 'heater_kw')->origin->value)->toBe('plate')
        ->and($anvil->fact('heater_kw'))->toBe(2.4)
        ->and($anvil->facts)->not->toHaveKey('amps')
        // What was said before stays in its log.
        ->and($anvil->factLog->where('name', 'heater_kw')->pluck('value')->all())->toContain(2.2, 2.4);
    bringFile('machines', $file, false, 'ines')->assertForbidden();
});

it('brings no machine in while one row is at fault, and names each', function (): void {
    $before = Machine::query()->count();
    $file = "machine,kind,fact,value\nGood Oak,hot_press,heater_kw,2\nBad Oak,hot_press,wings,2\nAnvil,cold_press,,\nLost Oak,,heater_kw,1\nSad Oak,kettle,,\nWet Oak,hot_press,heater_kw,wet\nMad Oak,hot_press,heater_kw,-3\n,hot_press,heater_kw,1\nTwin Oak,hot_press,heater_kw,1\nTwin Oak,hot_press,heater_kw,2\n";
    $errors = bringFile('machines', $file)->assertStatus(422)->json('errors');
    expect(array_column($errors, 'row'))->toBe([3, 4, 5, 6, 7, 8, 9, 10])
        ->and(array_column($errors, 'field'))->toBe(
            ['fact', 'kind', 'kind', 'kind', 'heater_kw', 'heater_kw', 'machine', 'fact'],
        )
        ->and(Machine::query()->count())->toBe($before);
});

it('enters and changes products, each number a row', function (): void {
    $revision = Product::query()->where('name', 'divider board')->value('revision');
    $file = "product,process,polymer,number,value,mould,note\ntest board,compression,HDPE,length_mm,300,,\ntest board,,,width_mm,200,,thin\ndivider board,,,thickness_mm,5,,\n";
    $said = bringFile('products', $file)->assertOk()->json('would');
    $board = Product::query()->where('name', 'test board')->firstOrFail();
    $divider = Product::query()->where('name', 'divider board')->firstOrFail();
    expect($said[0])->toBe('test board: a new product')
        ->and($board->dimensions)->toEqual(['length_mm' => 300, 'width_mm' => 200])
        ->and($board->note)->toBe('thin')
        ->and($divider->dimensions['thickness_mm'])->toEqual(5)
        ->and($divider->revision)->toBe($revision + 1);
    foreach ([
        ['process', "x,baking,HDPE,,,,\n"],
        ['polymer', "x,compression,PVC,length_mm,3,,\n"],
        ['number', "x,compression,HDPE,wings,3,,\n"],
        ['mould', "x,injection,PP,,,Nobody,\n"],
        ['process', "divider board,injection,,,,,\n"],
        ['polymer', "x,compression,HDPE,length_mm,3,,\nx,compression,PP,width_mm,3,,\n"],
    ] as [$field, $row]) {
        bringFile(
            'products',
            "product,process,polymer,number,value,mould,note\n{$row}",
        )->assertStatus(422)->assertJsonPath('errors.0.field', $field);
    }
    expect(Product::query()->where('name', 'x')->exists())->toBeFalse();
});

describe('how the shop works, as CSV', function (): void {
    $way = <<<'CSV'
        procedure;step;own;what;value
        compression;preheat;;typical_min;12,5
        compression;preheat;;checks;Guard is down
        compression;preheat;;checks;Air is on
        compression;spread;;do;Spread it by hand, corners first.
        compression;spread;Look for metal;do;Pass the magnet over it.
        compression;spread;Look for metal;people;1
        CSV;

    it('is a proposal, that a lead decides on as on any other', function () use ($way): void {
        $dry = bringFile('procedures', $way, dry: true, login: 'ines')->assertOk();
        expect($dry->json('errors'))->toBe([])
            ->and($dry->json('would'))->toHaveCount(3)
            ->and($dry->json('would.0'))->toStartWith('compression, proposed: ')
            ->toContain('usually 12.5 min')->toContain('to confirm: Guard is down');
        expect(ProcedureEntry::query()->count())->toBe(0);
        bringFile('procedures', $way, login: 'ines')->assertOk();
        $entry = ProcedureEntry::query()->sole();
        expect($entry->key)->toBe('compression')
            ->and($entry->way)->toEqual([
                ['step' => 'preheat', 'typical_min' => 12.5, 'checks' => ['Guard is down', 'Air is on']],
                ['step' => 'spread', 'do' => 'Spread it by hand, corners first.'],
                ['after' => 'spread', 'title' => 'Look for metal', 'do' => 'Pass the magnet over it.', 'people' => 1],
            ]);
        // Nothing is worked so before a lead says yes.
        expect(startRun()->json('procedure.own'))->toBeNull();
        $this->signedIn('maren')->postJson(
            "/api/v1/procedures/compression/proposals/{$entry->id}/decide",
            ['approve' => true],
        )->assertOk()->assertJsonPath('own', 1);
    });

    it('goes out as it came in, and in again it changes nothing', function () use ($way): void {
        expect(Csv::read(takenOut('procedures'), ['procedure', 'step', 'own', 'what', 'value']))->toBe([]);
        bringFile('procedures', $way)->assertOk();
        $this->signedIn('maren')->postJson(
            '/api/v1/procedures/compression/proposals/'.ProcedureEntry::query()->sole()->id.'/decide',
            ['approve' => true],
        )->assertOk();
        $out = takenOut('procedures');
        expect(Csv::read($out, ['value']))->toHaveCount(6)->and($out)->toContain('12.5');
        bringFile('procedures', $out)->assertOk()->assertJsonPath('would', ['compression: as it is worked already']);
        expect(ProcedureEntry::query()->count())->toBe(2);
    });

    it('names the row of what cannot be, and takes none of the file', function (
        string $row,
        string $field,
        string $says,
    ) use (
        $way,
    ): void {
        $answer = bringFile('procedures', "{$way}\n{$row}\n")->assertStatus(422);
        $errors = $answer->json('errors');
        expect($errors)->toHaveCount(1)
            ->and($errors[0]['field'])->toBe($field)
            ->and($errors[0]['message'])->toContain($says);
        expect(ProcedureEntry::query()->count())->toBe(0);
    })->with([
        'no procedure' => ['knitting;preheat;;do;x', 'procedure', 'is none: compression'],
        'no step' => ['compression;melt_away;;do;x', 'step', 'is no step of this procedure'],
        'nothing that can be changed' => ['compression;cool;;gate;off', 'gate', 'cannot be changed'],
        'no number' => ['compression;cool;;typical_min;soon', 'typical_min', '"soon" is no number'],
        'fewer people' => ['compression;preheat;;people;0', 'people', 'more may be asked, not fewer'],
        'twice' => ['compression;preheat;;typical_min;3', 'typical_min', 'is said twice'],
        'neither yes nor no' => ['compression;cool;;strict;perhaps', 'strict', 'must be yes or no'],
        'no step at all' => ['compression;;;do;x', 'step', 'is empty'],
        'nothing named' => [';preheat;;do;x', 'procedure', 'is empty'],
    ]);

    it('is brought in once, however often it is sent', function () use ($way): void {
        $id = fake_uuid();
        bringFile('procedures', $way, id: $id)->assertOk();
        bringFile('procedures', $way, id: $id)->assertOk();
        expect(ProcedureEntry::query()->count())->toBe(1);
        // Nor is it proposed over another that came since.
        bringFile('procedures', str_replace('12,5', '14', $way), id: $id)->assertStatus(409);
    });
});

it('brings own values of polymers in and out, each with its reason, and back to the library', function (): void {
    $head = "polymer,property,value,reason\n";
    $file = $head."HDPE,density_solid_g_cm3.typical,0.96,weighed in alcohol\n";
    bringFile('values', $file, dry: true)->assertOk()->assertJsonPath('errors', [])
        ->assertJsonPath('would.0', 'HDPE density_solid_g_cm3.typical: as the library has it → 0.96');
    expect(PolymerOverride::inForce()['HDPE'] ?? [])->not->toHaveKey('density_solid_g_cm3.typical');
    bringFile('values', $file)->assertOk();
    expect(PolymerOverride::inForce()['HDPE']['density_solid_g_cm3.typical'])->toBe(0.96)
        ->and(takenOut('values'))->toContain('HDPE,density_solid_g_cm3.typical,0.96,"weighed in alcohol"');
    // What went out changes nothing when it comes in again.
    $lines = PolymerOverride::query()->count();
    bringFile('values', takenOut('values'))->assertOk();
    expect(PolymerOverride::query()->count())->toBe($lines);
    bringFile('values', $head."HDPE,density_solid_g_cm3.typical,,measured wrongly\n")->assertOk();
    expect(PolymerOverride::inForce()['HDPE'] ?? [])->not->toHaveKey('density_solid_g_cm3.typical');
});

it('takes no own value that does not go with the others, none without a reason, and none of an operator', function (
    string $row,
    int $at,
    string $says,
): void {
    $good = 'PP,density_solid_g_cm3.typical,0.906,weighed';
    $answer = bringFile('values', "polymer,property,value,reason\n{$good}\n{$row}\n")->assertStatus(422);
    expect($answer->json('errors'))->toHaveCount(1)
        ->and($answer->json('errors.0.row'))->toBe($at)
        ->and($answer->json('errors.0.message'))->toContain($says)
        // All of the file or none.
        ->and(PolymerOverride::inForce()['PP'] ?? [])->not->toHaveKey('density_solid_g_cm3.typical');
})->with([
    'far off' => ['HDPE,density_solid_g_cm3.typical,9,weighed', 3, ''],
    'no number' => ['HDPE,density_solid_g_cm3.typical,heavy,weighed', 3, 'is no number'],
    'no reason' => ['HDPE,density_solid_g_cm3.typical,0.96,', 3, 'wants a reason'],
    'no such value' => ['HDPE,name,1,weighed', 3, ''],
    'no such polymer' => ['XYZ,density_solid_g_cm3.typical,1,weighed', 3, ''],
    'the second of a polymer' => ['PP,name,1,weighed', 3, ''],
]);

it('lets no operator bring own values in', function (): void {
    bringFile('values', "polymer,property,value,reason\nHDPE,density_solid_g_cm3.typical,0.96,weighed\n", login: 'ines')
        ->assertForbidden();
});
