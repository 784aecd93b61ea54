<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Act;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Models\Mix;
use App\Material\Models\Source;
use App\Material\Support\ActKind;
use App\Material\Support\Ledger;
use App\Material\Support\MovementKind;
use App\People\Models\User;
use App\Support\Csv;
use App\Support\Sent;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Charge\PartKind;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Safety\SourceState;
use Dithermic\Core\Stock\LotForm;
use Illuminate\Support\Collection;

/** Rows of a CSV file into the shop, all or none; a dry run says what each row would do and what is wrong with it. */
final readonly class ImportRows
{
    public const NEEDED = [
        'sources' => ['name'],
        'lots' => ['source', 'polymer', 'form', 'colour', 'mass_g'],
        'movements' => ['lot', 'mass_g', 'reason'],
        'mixes' => ['mix', 'polymer', 'component', 'parts'],
    ];

    public function __construct(
        private Ledger $ledger,
        private Sent $sent,
        private PolymerLibrary $polymers,
        private KeepMix $keepMix,
    ) {
    }

    /**
     * @param  (callable(float): void)|null  $tell  how much is done, now and then
     * @return array{rows: int, errors: list<array{row: int, field: string, message: string}>, would: list<string>}
     */
    public function __invoke(string $id, User $by, string $kind, string $text, bool $dry, ?callable $tell = null): array
    {
        $rows = Csv::read($text, self::NEEDED[$kind]);
        if (! $dry && Act::query()->whereKey($id)->where(['kind' => ActKind::Imported, 'by_id' => $by->id])->exists()) {
            $this->sent->as($id);

            return ['rows' => count($rows), 'errors' => [], 'would' => []];
        }
        $sources = Source::query()->get()->keyBy('name')->all();
        $codes = match ($kind) {
            'movements' => array_column($rows, 'lot'),
            'lots' => array_column($rows, 'code'),
            default => [],
        };
        $lots = Lot::query()->withHeld()->with('source')->whereIn(
            'code',
            array_map(mb_strtoupper(...), $codes),
        )->get()->keyBy('code')->all();
        $errors = [];
        $ready = [];
        $named = [];
        foreach ($rows as $i => $row) {
            $tell !== null && $i % 200 === 0 && $tell($dry ? $i / count($rows) : 0.3 * $i / count($rows));
            try {
                $ready[] = match ($kind) {
                    'sources' => $this->source($row, $named, $sources),
                    'lots' => $this->lot($row, $sources, $lots, $named),
                    'movements' => $this->movement($row, $lots),
                    default => $this->mix($row),
                };
                $named[$row['name'] ?? mb_strtoupper($row['code'] ?? '')] = true;
            } catch (InputError $error) {
                // The header is row 1, as the spreadsheet counts.
                $errors[] = ['row' => $i + 2, 'field' => $error->field, 'message' => $error->getMessage()];
            }
        }
        if ($rows === []) {
            throw new InputError('file', 'has a header and no rows');
        }
        if ($kind === 'mixes') {
            $ready = self::asTheyAre($ready);
        }
        if ($errors === [] && ! $dry) {
            $this->ledger->act($id, ActKind::Imported, $by, 'from a CSV file', [
                'kind' => $kind,
                'rows' => count($rows),
            ], function (Act $act) use ($kind, $ready, $tell): void {
                match ($kind) {
                    'sources' => array_map(self::keepSource(...), $ready),
                    'lots' => $this->open($act, $ready, $tell),
                    'movements' => $this->book($act, $ready),
                    default => $this->keep($act, $ready),
                };
            });
        }

        return [
            'rows' => count($rows),
            'errors' => array_slice($errors, 0, 200),
            'would' => array_slice(array_column($ready, 'says'), 0, 200),
        ];
    }

    /**
     * @param  array<string, string>  $row
     * @param  array<string, true>  $before  names that came in rows above
     * @param  array<string, Source>  $sources
     * @return array<string, mixed>
     */
    private function source(array $row, array $before, array $sources): array
    {
        $name = self::text($row, 'name', 80);
        if (isset($before[$name])) {
            throw new InputError('name', "\"{$name}\" stands in the file twice");
        }
        $known = $sources[$name] ?? null;
        $note = mb_substr($row['note'] ?? $known->note ?? '', 0, 500);

        return [
            'name' => $name,
            'note' => $note,
            'known' => $known,
            'says' => match (true) {
                $known === null => "{$name}: a new source, on trial",
                $known->note === $note => "{$name}: as it was",
                default => "{$name}: another note",
            },
        ];
    }

    /**
     * A lot that its code names is changed where it may be: what it holds is counted on the scale, not written in a
     * file.
     *
     * @param  array<string, string>  $row
     * @param  Lot  $lot  that its code names
     * @return array<string, mixed>
     */
    private function known(array $row, Lot $lot): array
    {
        foreach (['polymer' => $lot->polymer, 'form' => $lot->form, 'source' => $lot->source->name] as $name => $is) {
            if (($row[$name] ?? '') !== '' && $row[$name] !== $is) {
                throw new InputError($name, "of {$lot->code} is {$is}: that is no matter of a file");
            }
        }
        if (($row['mass_g'] ?? '') !== '' && abs(self::mass($row, 'mass_g') - round((float) $lot->held_g, 3)) > 0.001) {
            throw new InputError(
                'mass_g',
                "of {$lot->code} is not changed by a file: count it, or bring in a correction",
            );
        }
        $said = array_filter([
            'colour' => mb_substr($row['colour'] ?? '', 0, 60),
            'swatch' => self::swatch($row) ?? '',
            'location' => mb_substr($row['location'] ?? '', 0, 60),
            'tare_g' => ($row['tare_g'] ?? '') === '' ? '' : (string) self::mass($row, 'tare_g'),
        ], static fn (string $value): bool => $value !== '');
        $had = ['tare_g' => (string) (float) $lot->tare_g] + $lot->only('colour', 'swatch', 'location');
        $changed = array_filter(
            $said,
            static fn (string $to, string $of): bool => $to !== $had[$of],
            ARRAY_FILTER_USE_BOTH,
        );
        $what = array_map(static fn (string $of, string $to): string => "{$of} {$to}", array_keys($changed), $changed);

        return [
            'known' => $lot,
            'changed' => $changed,
            'says' => "{$lot->code}: ".($what === [] ? 'as it was' : implode(', ', $what)),
        ];
    }

    /**
     * @param  array<string, string>  $row
     * @param  array<string, Source>  $sources
     * @param  array<string, Lot>  $lots  that codes of the file name
     * @param  array<string, true>  $before  codes that came in rows above
     * @return array<string, mixed>
     */
    private function lot(array $row, array $sources, array $lots, array $before): array
    {
        $code = mb_strtoupper($row['code'] ?? '');
        if ($code !== '') {
            if (isset($before[$code])) {
                throw new InputError('code', "{$code} stands in the file twice");
            }

            return $this->known(
                $row,
                $lots[$code] ?? throw new InputError('code', "there is no lot {$code}: leave it empty for a new one"),
            );
        }
        $source = $sources[self::text($row, 'source', 80)] ?? throw new InputError(
            'source',
            "\"{$row['source']}\" is not a source of the shop: bring in the sources first",
        );
        $polymer = self::text($row, 'polymer', 20);
        if (! $this->polymers->has($polymer)) {
            throw new InputError('polymer', "\"{$polymer}\" is not in the library: take UNKNOWN for what is not known");
        }
        $form = self::text($row, 'form', 20);
        if (! in_array($form, LotForm::names(), true)) {
            throw new InputError('form', "\"{$form}\" is not one of ".implode(', ', LotForm::names()));
        }
        $swatch = self::swatch($row) ?? Lot::NO_COLOUR;
        $mass = self::mass($row, 'mass_g');
        if ($mass <= 0) {
            throw new InputError('mass_g', 'must be above 0 g');
        }
        $tare = ($row['tare_g'] ?? '') === '' ? null : self::mass($row, 'tare_g');
        $colour = self::text($row, 'colour', 60);

        return [
            'lot' => [
                'source_id' => $source->id,
                'polymer' => $polymer,
                'form' => $form,
                'colour' => $colour,
                'swatch' => $swatch,
                'location' => mb_substr($row['location'] ?? '', 0, 60),
                'tare_g' => $tare,
            ],
            'mass_g' => $mass,
            'says' => sprintf('%.0f g of %s, %s %s, from %s', $mass, $polymer, $colour, $form, $source->name),
        ];
    }

    /**
     * @param  array<string, string>  $row
     * @param  array<string, Lot>  $lots
     * @return array<string, mixed>
     */
    private function movement(array $row, array $lots): array
    {
        $lot = $lots[mb_strtoupper(self::text($row, 'lot', 30))] ?? throw new InputError(
            'lot',
            "there is no lot \"{$row['lot']}\"",
        );
        $mass = self::mass($row, 'mass_g');

        return [
            'lot_id' => $lot->id,
            'mass_g' => $mass,
            'reason' => self::text($row, 'reason', 500),
            'says' => sprintf('%s: %+.0f g, %s', $lot->code, $mass, $row['reason']),
        ];
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, mixed>
     */
    private function mix(array $row): array
    {
        $kind = ($row['kind'] ?? '') === '' ? PartKind::Colour->value : $row['kind'];
        if (PartKind::tryFrom($kind) === null) {
            $known = implode(', ', array_column(PartKind::cases(), 'value'));
            throw new InputError('kind', "\"{$kind}\" is not one of {$known}");
        }
        $parts = Csv::number($row['parts']);
        if ($parts === null || $parts <= 0) {
            throw new InputError('parts', "\"{$row['parts']}\" is not a number above 0");
        }
        $polymer = self::text($row, 'polymer', 20);
        if (! $this->polymers->has($polymer) || $this->polymers->get($polymer)->neverHot()) {
            throw new InputError('polymer', "\"{$polymer}\" is not in the library");
        }
        $swatch = self::swatch($row) ?? Lot::NO_COLOUR;

        return [
            'mix' => self::text($row, 'mix', 80),
            'polymer' => $polymer,
            'component' => [
                'name' => self::text($row, 'component', 60),
                'swatch' => $swatch,
                'parts' => $parts,
                'kind' => $kind,
            ],
            'says' => "{$row['mix']}: {$row['parts']} parts of {$row['component']}",
        ];
    }

    /** @param  array<string, mixed>  $row */
    private static function keepSource(array $row): void
    {
        if ($row['known'] !== null) {
            $row['known']->update(['note' => $row['note']]);

            return;
        }
        Source::query()->create(['name' => $row['name'], 'state' => SourceState::OnTrial, 'note' => $row['note']]);
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     * @param  (callable(float): void)|null  $tell
     */
    private function open(Act $act, array $rows, ?callable $tell): void
    {
        foreach ($rows as $i => $row) {
            $tell !== null && $i % 100 === 0 && $tell(0.3 + 0.7 * $i / count($rows));
            if (isset($row['known'])) {
                $row['known']->update($row['changed']);

                continue;
            }
            $this->ledger->line($act, $this->ledger->open($row['lot']), $row['mass_g'], MovementKind::Delivered);
        }
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function book(Act $act, array $rows): void
    {
        $lots = $this->ledger->lock(array_values(array_unique(array_column($rows, 'lot_id'))));
        $held = array_map($this->ledger->held(...), $lots);
        foreach ($rows as $i => $row) {
            $held[$row['lot_id']] += $row['mass_g'];
            if ($held[$row['lot_id']] < 0) {
                throw new InputError(
                    'file',
                    sprintf(
                        'row %d would take lot %s under zero: nothing was brought in',
                        $i + 2,
                        $lots[$row['lot_id']]->code,
                    ),
                );
            }
            LotMovement::query()->create([
                'lot_id' => $row['lot_id'],
                'mass_g' => $row['mass_g'],
                'kind' => MovementKind::Corrected,
                'reason' => $row['reason'],
                'by_id' => $act->by_id,
                'at' => CarbonImmutable::now(),
                'act_id' => $act->id,
            ]);
        }
    }

    /**
     * A mix that a file has as its newest version has it stays as it is.
     *
     * @param  list<array<string, mixed>>  $rows
     * @return list<array<string, mixed>>
     */
    private static function asTheyAre(array $rows): array
    {
        $byMix = collect($rows)->groupBy('mix');
        $same = $byMix->map(static function (Collection $of, string|int $name): bool {
            $newest = Mix::query()->where('name', (string) $name)->orderByDesc('version')->first();

            return $newest !== null
                && $of->every(static fn (array $row): bool => $row['polymer'] === $newest->polymer)
                && $newest->components == $of->pluck('component')->all();
        });

        return array_map(static fn (array $row): array => ['same' => $same[$row['mix']]] + (
            $same[$row['mix']] ? ['says' => "{$row['mix']}, {$row['component']['name']}: as it was"] : []
        ) + $row, $rows);
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function keep(Act $act, array $rows): void
    {
        foreach (collect($rows)->where('same', false)->groupBy('mix') as $name => $of) {
            $polymers = $of->pluck('polymer')->unique();
            if ($polymers->count() > 1) {
                throw new InputError('file', "the mix {$name} names more than one polymer: nothing was brought in");
            }
            ($this->keepMix)(
                [
                    'name' => (string) $name,
                    'polymer' => $polymers->first(),
                    'after_version' => (int) Mix::query()->where('name', $name)->max('version'),
                    'components' => $of->pluck('component')->all(),
                    'note' => 'from a CSV file',
                ],
                $act->by_id,
            );
        }
    }

    /** @param  array<string, string>  $row */
    private static function text(array $row, string $name, int $most): string
    {
        $text = $row[$name] ?? '';

        return $text === '' || mb_strlen($text) > $most
            ? throw new InputError($name, $text === '' ? 'is empty' : "is longer than {$most} letters")
            : $text;
    }

    /**
     * @param  array<string, string>  $row
     * @return string|null null where none is said
     */
    private static function swatch(array $row): ?string
    {
        $swatch = $row['swatch'] ?? '';
        if ($swatch === '') {
            return null;
        }

        return preg_match('/^#[0-9a-fA-F]{6}$/', $swatch) === 1
            ? $swatch
            : throw new InputError('swatch', "\"{$swatch}\" is not a colour: write #rrggbb");
    }

    /** @param  array<string, string>  $row */
    private static function mass(array $row, string $name): float
    {
        $mass = Csv::number($row[$name] ?? '');

        return $mass === null || abs($mass) > 1e9
            ? throw new InputError($name, "\"{$row[$name]}\" is not a mass in grams")
            : $mass;
    }
}
