<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\Material\Actions\ImportRows;
use App\People\Models\User;
use App\Runs\Actions\ImportProcedures;
use App\Support\Csv;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;
use Throwable;
use ZipArchive;

/**
 * How another shop works, out of its zip, in the order in which one thing names another. All of it goes in or nothing;
 * tried first, it says of each what is new here, what is otherwise here, and what cannot be. Hostile until parsed: only
 * files of known names are read, none larger than a CSV may be.
 */
final readonly class ImportZip
{
    public const FORMAT = 'how a shop works';

    public const VERSION = 1;

    public const LIST = 'shop.json';

    /** in the order in which they go in */
    private const KINDS = ['machines', 'products', 'values', 'mixes', 'setups', 'finishing', 'procedures'];

    private const FILES = 30;

    public function __construct(
        private ImportShop $shop,
        private ImportOwnValues $values,
        private ImportRows $rows,
        private ImportSetUps $setUps,
        private ImportFinishing $finishing,
        private ImportProcedures $procedures,
    ) {
    }

    /**
     * @return list<array{kind: string, rows: int, errors: list<array{row: int, field: string, message: string}>, would: list<string>}>
     *
     * @throws InputError
     */
    public function __invoke(string $id, User $by, string $path, bool $dry): array
    {
        $texts = self::read($path);
        $done = [];
        DB::beginTransaction();
        try {
            foreach ($texts as $kind => $text) {
                $done[] = ['kind' => $kind] + $this->one(Uuid::uuid5($id, $kind)->toString(), $by, $kind, $text);
            }
            $faults = array_filter($done, static fn (array $file): bool => $file['errors'] !== []);
            $dry || $faults !== [] ? DB::rollBack() : DB::commit();
        } catch (Throwable $error) {
            DB::rollBack();
            throw $error;
        }

        return $done;
    }

    /** @return array{rows: int, errors: list<array{row: int, field: string, message: string}>, would: list<string>} */
    private function one(string $id, User $by, string $kind, string $text): array
    {
        try {
            return match ($kind) {
                'values' => ($this->values)($id, $by, $text, false),
                'mixes' => ($this->rows)($id, $by, $kind, $text, false),
                'setups' => ($this->setUps)($id, $by, $text, false),
                'finishing' => ($this->finishing)($id, $by, $text, false),
                'procedures' => ($this->procedures)($id, $by, $text, false),
                default => ($this->shop)($id, $by, $kind, $text, false),
            };
        } catch (InputError $error) {
            $fault = ['row' => 1, 'field' => $kind, 'message' => $error->getMessage()];

            return ['rows' => 0, 'errors' => [$fault], 'would' => []];
        }
    }

    /**
     * @return array<string, string> text by kind
     *
     * @throws InputError
     */
    private static function read(string $path): array
    {
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new InputError('file', 'is no zip');
        }
        if ($zip->numFiles > self::FILES) {
            throw new InputError('file', 'holds more than '.self::FILES.' files: it is none that a shop has made');
        }
        $list = json_decode((string) self::text($zip, self::LIST), true);
        if (! is_array($list) || ($list['format'] ?? null) !== self::FORMAT) {
            throw new InputError('file', 'holds no '.self::LIST.' of a shop: it is none that a shop has made');
        }
        if (! is_int($list['version'] ?? null) || $list['version'] > self::VERSION) {
            throw new InputError('file', 'is of a newer version than this shop reads: update it first');
        }
        $texts = [];
        foreach (self::KINDS as $kind) {
            $text = self::text($zip, "{$kind}.csv");
            if ($text !== null) {
                $texts[$kind] = $text;
            }
        }
        $zip->close();

        return $texts === [] ? throw new InputError('file', 'holds nothing that goes in') : $texts;
    }

    /** @throws InputError where it is larger unpacked than it may be */
    private static function text(ZipArchive $zip, string $name): ?string
    {
        $about = $zip->statName($name);
        if ($about === false) {
            return null;
        }
        $text = $about['size'] > Csv::MAX_BYTES ? false : $zip->getFromName($name, Csv::MAX_BYTES + 1);
        if ($text === false || strlen($text) > Csv::MAX_BYTES) {
            throw new InputError('file', "holds {$name}, which cannot be read or is larger than 5 MB");
        }

        return $text;
    }
}
