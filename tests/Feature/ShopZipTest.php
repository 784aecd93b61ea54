<?php

declare(strict_types=1);

use App\Shop\Models\Machine;
use App\Shop\Models\MachineFact;
use App\Shop\Models\PolymerOverride;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;

function zippedShop(array $products = []): string
{
    $query = http_build_query(['products' => $products]);

    return (string) test()->signedIn('maren')->get("/api/v1/transfer/shop.zip?{$query}")->assertOk()->getContent();
}

/** @return array<string, string> text by name */
function insideZip(string $zip): array
{
    file_put_contents($path = tempnam(sys_get_temp_dir(), 'zip'), $zip);
    $archive = new ZipArchive;
    $archive->open($path);
    $files = [];
    for ($i = 0; $i < $archive->numFiles; $i++) {
        $files[(string) $archive->getNameIndex($i)] = (string) $archive->getFromIndex($i);
    }

    return $files;
}

/** @param  array<string, string>  $files */
function zipOf(array $files): string
{
    $path = tempnam(sys_get_temp_dir(), 'zip');
    $archive = new ZipArchive;
    $archive->open($path, ZipArchive::OVERWRITE);
    foreach ($files as $name => $text) {
        $archive->addFromString($name, $text);
    }
    $archive->close();

    return (string) file_get_contents($path);
}

function bringIn(string $zip, bool $preview = false, string $who = 'maren', ?string $id = null): TestResponse
{
    return test()->signedIn($who)->post('/api/v1/transfer/shop', [
        'id' => $id ?? fake_uuid(),
        'preview' => $preview ? '1' : '0',
        'file' => UploadedFile::fake()->createWithContent('shop.zip', $zip),
    ], ['Accept' => 'application/json']);
}

it('goes out whole and comes in again as it was, and nothing of it is written', function (): void {
    $zip = zippedShop();
    $files = insideZip($zip);
    $list = json_decode($files['shop.json'], true);
    expect($list['format'])->toBe('how a shop works')
        ->and(array_keys($files))->toContain('machines.csv', 'products.csv', 'setups.csv')
        ->and($list['rows']['products'])->toBeGreaterThan(8)
        // Nobody's name, no stock and no runs go with it.
        ->and(implode('', $files))->not->toContain('Okafor')->not->toContain('L-0101');
    $before = [
        MachineFact::query()->count(), Recipe::query()->count(), PolymerOverride::query()->count(),
        Product::query()->sum('revision'),
    ];
    foreach (bringIn($zip)->assertOk()->json('items') as $file) {
        expect($file['errors'])->toBe([]);
        foreach ($file['would'] as $line) {
            expect($line)->toContain('as it');
        }
    }
    expect([
        MachineFact::query()->count(), Recipe::query()->count(), PolymerOverride::query()->count(),
        Product::query()->sum('revision'),
    ])
        ->toBe($before);
    $again = insideZip(zippedShop());
    unset($files['shop.json'], $again['shop.json']);
    expect($again)->toBe($files);
});

it('goes to a shop that has nothing of it: what is chosen, with what it wants, comes out of there the same', function (): void {
    $tray = Product::query()->where('name', 'syrup feeder tray')->firstOrFail();
    $this->signedIn('maren')->postJson("/api/v1/products/{$tray->id}/recipes", [
        'machine_id' => Machine::query()->where('name', 'Bellows')->value('id'),
        'after_version' => Recipe::query()->where('product_id', $tray->id)->max('version') ?? 0,
        'settings' => ['look_s' => 12, 'cool_how' => 'held_fan'],
        'note' => 'taught by runs 12 and 15',
    ])->assertCreated();
    $files = insideZip(zippedShop([$tray->id]));
    expect($files['products.csv'])->toContain('syrup feeder tray')->not->toContain('divider board')
        ->and($files['machines.csv'])->toContain('Bellows')->toContain('Saucer')->not->toContain('Anvil')
        ->and($files)->not->toHaveKey('procedures.csv');
    // Another shop calls its own otherwise: to this one everything of it is new.
    $all = Product::query()->pluck('id')->all();
    $names = [...Product::query()->pluck('name'), ...Machine::query()->pluck('name')];
    $other = array_map(
        static fn (string $text): string => strtr(
            $text,
            array_combine($names, array_map(static fn (string $n): string => "our-{$n}", $names)),
        ),
        array_diff_key(insideZip(zippedShop($all)), ['values.csv' => '']),
    );
    $tried = bringIn(zipOf($other), preview: true)->assertOk()->json('items');
    expect(array_column($tried, 'errors'))->toBe([[], [], [], []])
        ->and(array_column($tried, 'kind'))->toBe(['machines', 'products', 'setups', 'finishing'])
        ->and(implode(' ', $tried[0]['would']))->toContain('our-Bellows: a new')
        ->and($tried[2]['would'])->toContain('our-syrup feeder tray on our-Bellows: its first set-up')
        ->and(Product::query()->where('name', 'our-syrup feeder tray')->exists())->toBeFalse();
    $body = [zipOf($other), false, 'maren', fake_uuid()];
    bringIn(...$body)->assertOk();
    $made = Machine::query()->count();
    // Sent twice it is in once.
    bringIn(...$body)->assertOk();
    expect(Machine::query()->count())->toBe($made);
    $out = insideZip(zippedShop(Product::query()->where('name', 'like', 'our-%')->pluck('id')->all()));
    $lines = static function (string $text): array {
        $lines = explode("\r\n", $text);
        sort($lines);

        return $lines;
    };
    foreach (['machines.csv', 'products.csv', 'setups.csv', 'finishing.csv'] as $file) {
        expect($lines($out[$file]))->toBe($lines($other[$file]));
    }
});

it('shows what is otherwise here before anything is written, and writes nothing where one row is at fault', function (): void {
    $files = insideZip(zippedShop());
    $bed = preg_match('/^Bellows,vacuum_former,bed_length_mm,(\d+)/m', $files['machines.csv'], $found) === 1
        ? $found[1]
        : '';
    $files['machines.csv'] = str_replace("bed_length_mm,{$bed}", 'bed_length_mm,777', $files['machines.csv']);
    $tried = bringIn(zipOf($files), preview: true)->assertOk()->json('items.0.would');
    expect($tried)->toContain("Bellows, bed_length_mm: {$bed} → 777");
    $facts = MachineFact::query()->count();
    $files['setups.csv'] .= "divider board,Anvil,no_such_setting,3,\r\n";
    bringIn(zipOf($files))->assertStatus(422)->assertJsonPath('items.0.errors', []);
    expect(MachineFact::query()->count())->toBe($facts)
        ->and(Machine::query()->where('name', 'Bellows')->firstOrFail()->facts['bed_length_mm'])->toEqual((float) $bed);
});

it('is a lead\'s to bring in, and takes no other zip', function (): void {
    $zip = zippedShop();
    bringIn($zip, who: 'ines')->assertForbidden();
    bringIn('no zip at all')->assertStatus(422)->assertJsonPath('error.field', 'file');
    bringIn(zipOf(['machines.csv' => 'machine,kind,fact,value']))
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'file');
    $list = static fn (array $with): string => (string) json_encode($with + [
        'format' => 'how a shop works', 'version' => 1,
    ]);
    bringIn(zipOf(['shop.json' => $list(['version' => 9])]))->assertStatus(422);
    bringIn(zipOf(['shop.json' => $list([]), 'runs.csv' => 'a,b', '../products.csv' => 'x']))->assertStatus(422);
    // What is small as a zip and huge unpacked is not unpacked.
    bringIn(zipOf(['shop.json' => $list([]), 'machines.csv' => str_repeat(' ', 6_000_000)]))
        ->assertStatus(422)->assertJsonPath('error.field', 'file');
    $many = ['shop.json' => $list([])];
    for ($i = 0; $i < 40; $i++) {
        $many["f{$i}"] = 'x';
    }
    bringIn(zipOf($many))->assertStatus(422)->assertJsonPath('error.field', 'file');
    app('auth')->forgetGuards();
    $this->flushSession()->getJson('/api/v1/transfer/shop.zip')->assertUnauthorized();
});

it('brings in set-ups alone, as the next version, and names the row that is wrong', function (): void {
    $send = static fn (string $text): TestResponse => test()->signedIn('maren')->post('/api/v1/transfer/setups', [
        'id' => fake_uuid(), 'preview' => '0', 'file' => UploadedFile::fake()->createWithContent('s.csv', $text),
    ], ['Accept' => 'application/json']);
    $product = Product::query()->where('name', 'divider board')->firstOrFail();
    $anvil = Machine::query()->where('name', 'Anvil')->firstOrFail();
    $version = Recipe::newest($product, $anvil)->version ?? 0;
    $send("product,machine,setting,value,note\ndivider board,Anvil,soak_min,4,as in June\ndivider board,Anvil,heat_rule,physics,\n")
        ->assertOk()
        ->assertJsonPath(
            'would.0',
            $version === 0
                ? 'divider board on Anvil: its first set-up'
                : "divider board on Anvil: version {$version} → ".($version + 1),
        );
    $newest = Recipe::newest($product, $anvil);
    expect($newest->version)
        ->toBe($version + 1)
        ->and($newest->settings)
        ->toEqual(['soak_min' => 4.0, 'heat_rule' => 'physics'])
        ->and($newest->note)->toBe('as in June');
    $send("product,machine,setting,value\nnobody's board,Anvil,soak_min,4\n")
        ->assertStatus(422)
        ->assertJsonPath('errors.0.field', 'product');
    $send("product,machine,setting,value\ndivider board,Nowhere,soak_min,4\n")
        ->assertStatus(422)
        ->assertJsonPath('errors.0.field', 'machine');
    $send(
        "product,machine,setting,value\ndivider board,Anvil,soak_min,4\ndivider board,Anvil,platen_c,hot\n",
    )->assertStatus(422)
        ->assertJsonPath('errors.0.row', 3)->assertJsonPath('errors.0.field', 'platen_c');
    $send(
        "product,machine,setting,value\ndivider board,Anvil,soak_min,4\ndivider board,Anvil,soak_min,5\n",
    )->assertStatus(422);
    expect(Recipe::newest($product, $anvil)->version)->toBe($version + 1);
});
