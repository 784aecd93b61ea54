<?php

declare(strict_types=1);

namespace App\Shop\Queries;

use App\Material\Models\Mix;
use App\Runs\Queries\ProceduresAsRows;
use App\Shop\Actions\ImportZip;
use App\Support\Csv;
use App\Support\ShopClock;
use RuntimeException;
use ZipArchive;

/**
 * How a shop works, to go to another: machines, moulds, products, set-ups, finishing, own values, mixes and own ways,
 * each as the CSV that it is read from again, with a list of what is in it. Of chosen products, what these want. No
 * stock, no runs, nobody's name.
 */
final readonly class ShopAsZip
{
    public function __construct(
        private ShopAsRows $shop,
        private ProceduresAsRows $procedures,
        private ShopClock $clock,
    ) {
    }

    /** @param  list<int>  $products  by id; all of the shop where none is chosen */
    public function __invoke(array $products = []): string
    {
        $of = $products === [] ? null : $products;
        $files = array_filter([
            'machines' => $this->shop->machines($of),
            'products' => $this->shop->products($of),
            'values' => $this->shop->ownValues($of),
            'mixes' => $of === null ? self::mixes() : null,
            'setups' => $this->shop->setUps($of),
            'finishing' => $this->shop->finishing($of),
            'procedures' => $of === null ? ($this->procedures)() : null,
        ], static fn (?array $file): bool => $file !== null && $file[1] !== []);
        $path = tempnam(sys_get_temp_dir(), 'shop');
        $zip = new ZipArchive;
        if ($path === false || $zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException('no zip could be made in '.sys_get_temp_dir());
        }
        foreach ($files as $kind => [$header, $rows]) {
            $zip->addFromString("{$kind}.csv", Csv::write($header, $rows));
        }
        $zip->addFromString(ImportZip::LIST, json_encode([
            'format' => ImportZip::FORMAT,
            'version' => ImportZip::VERSION,
            'made_at' => $this->clock->moment()->toIso8601ZuluString(),
            'rows' => array_map(static fn (array $file): int => count($file[1]), $files),
        ], JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR));
        $zip->close();
        $made = (string) file_get_contents($path);
        unlink($path);

        return $made;
    }

    /** @return array{list<string>, list<list<string|float|int|null>>} the newest version of each */
    private static function mixes(): array
    {
        $rows = [];
        $newest = Mix::query()->orderBy('name')->orderBy('version')->get()->keyBy('name');
        foreach ($newest as $mix) {
            foreach ($mix->components as $c) {
                $rows[] = [$mix->name, $mix->polymer, $c['name'], $c['swatch'], $c['parts'], $c['kind']];
            }
        }

        return [['mix', 'polymer', 'component', 'swatch', 'parts', 'kind'], $rows];
    }
}
