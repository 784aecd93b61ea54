<?php

declare(strict_types=1);

arch('the core knows no framework')->expect('Dithermic\Core')->not->toUse(['Illuminate', 'App', 'Laravel', 'Symfony']);
arch('strict types everywhere')->expect(['Dithermic\Core', 'App'])->toUseStrictTypes();
arch('no debugging left behind')->expect(['dd', 'dump', 'var_dump', 'ray'])->not->toBeUsed();

/**
 * Files under a folder that name a process or a machine of one.
 *
 * @param  list<string>  $except
 * @return list<string>
 */
function namingProcesses(string $folder, string $pattern, array $except): array
{
    $names = 'compression|injection|extrusion|vacuum_forming|hot_press|cold_press|vacuum_former|slide_in|platen_c|plunger_injector|screw_injector|extruder';
    $found = [];
    $root = dirname(__DIR__, 2);
    $files = new RecursiveIteratorIterator(new RecursiveDirectoryIterator("{$root}/{$folder}"));
    foreach ($files as $file) {
        $path = substr((string) $file, strlen($root) + 1);
        if (
            ! preg_match($pattern, $path)
            || array_filter($except, static fn (string $e): bool => str_contains($path, $e))
        ) {
            continue;
        }
        if (preg_match("/['\"`.](?:{$names})\\b/", (string) file_get_contents((string) $file))) {
            $found[] = $path;
        }
    }

    return $found;
}

it('names no process outside its own folder', function (): void {
    // The shop's own values are paths into the library, which has the processes as keys.
    expect(namingProcesses('app', '/\.php$/', ['ShopController']))->toBe([])
        ->and(namingProcesses('resources/js', '/(?<!\.test)\.(ts|vue)$/', [
            'api/schema.ts',
            'processes/',
            // drawings of calculations, by their names and fields
            'areas/reckon/',
            'areas/shop/ShopPage.vue',
            'parts/HeatCurve.vue',
            'parts/CrossSection.vue',
        ]))->toBe([])
        ->and(namingProcesses('core/src/Run', '/\.php$/', []))->toBe([])
        ->and(namingProcesses('resources/views', '/\.php$/', []))->toBe([]);
});

it('keeps a process to itself: none uses another', function (string $own, array $others): void {
    foreach (glob(dirname(__DIR__)."/src/Process/{$own}/*.php") ?: [] as $file) {
        foreach ($others as $other) {
            expect((string) file_get_contents($file))->not->toContain("Process\\{$other}\\");
        }
    }
})->with(static function (): Generator {
    $all = ['Compression', 'Injection', 'Extrusion', 'VacuumForming'];
    foreach ($all as $own) {
        yield $own => [$own, array_values(array_diff($all, [$own]))];
    }
});

const AREAS = ['Causes', 'Instruments', 'Material', 'Runs', 'Planning', 'Shop', 'People', 'Bench'];

/** @return list<string> a room of every area that has it */
function rooms(string $room): array
{
    $root = dirname(__DIR__, 2).'/app';
    $folder = str_replace('\\', '/', $room);
    $areas = array_filter(AREAS, static fn (string $area): bool => is_dir("{$root}/{$area}/{$folder}"));

    return array_map(static fn (string $area): string => "App\\{$area}\\{$room}", array_values($areas));
}

arch('what a table is knows no door to it')->expect(rooms('Models'))->not->toUse([...rooms('Http'), ...rooms('Data')]);
arch('work is done behind the doors')
    ->expect([...rooms('Actions'), ...rooms('Queries')])
    ->not->toUse(rooms('Http'));
arch('a door opens no transaction and writes no SQL')
    ->expect(rooms('Http'))
    ->not->toUse('Illuminate\Support\Facades\DB');
arch('what is sent is described by a body')->expect(rooms('Http\Requests'))->classes->toExtend('App\Http\Body');
