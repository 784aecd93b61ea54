<?php

declare(strict_types=1);

use App\Material\Models\Source;
use App\Material\Support\ChargeState;
use App\Material\Support\MovementKind;
use App\Material\Support\SortingState;
use App\Planning\Support\OrderEntryKind;
use App\Planning\Support\WishKind;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Support\ProcedureEntryKind;
use App\Shop\Models\Machine;
use Carbon\CarbonImmutable;
use Dithermic\Core\Diagnosis\CaseEntry;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Safety\DryState;
use Dithermic\Core\Safety\SourceState;
use Dithermic\Core\Stock\LotForm;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/** Tries something in the database that no program may leave there, and takes it back. */
function refusedByDatabase(callable $try): bool
{
    DB::beginTransaction();
    try {
        $try();

        return false;
    } catch (QueryException $refused) {
        return str_starts_with((string) $refused->getCode(), '23');
    } finally {
        DB::rollBack();
    }
}

it('lets no value stand that none of its words is', function (string $table, string $column) {
    $id = DB::table($table)->value('id');
    expect($id)->not->toBeNull()
        ->and(refusedByDatabase(
            static fn () => DB::table($table)->where('id', $id)->update([$column => 'nonsense']),
        ))->toBeTrue();
})->with([
    ['users', 'role'],
    ['sources', 'state'],
    ['lots', 'form'],
    ['lots', 'dry_state'],
    ['runs', 'status'],
    ['runs', 'verdict'],
    ['sortings', 'status'],
]);

it('knows every word that the programs know', function () {
    $words = static function (string $table, string $column): array {
        $check = (string) DB::scalar(
            'select pg_get_constraintdef(oid) from pg_constraint where conname = ?',
            ["{$table}_{$column}_known"],
        );
        preg_match_all("/'([^']+)'/", $check, $found);

        return $found[1];
    };
    $values = static fn (string $enum): array => array_map(static fn ($case): string => $case->value, $enum::cases());
    expect($words('run_events', 'type'))->toEqualCanonicalizing($values(EventType::class))
        ->and($words('sources', 'state'))->toEqualCanonicalizing($values(SourceState::class))
        ->and($words('lots', 'dry_state'))->toEqualCanonicalizing($values(DryState::class))
        ->and($words('lots', 'form'))->toEqualCanonicalizing(LotForm::names());
    foreach ([
        ['lot_movements', 'kind', MovementKind::class],
        ['charges', 'status', ChargeState::class],
        ['sortings', 'status', SortingState::class],
        ['procedure_log', 'kind', ProcedureEntryKind::class],
        ['case_log', 'kind', CaseEntry::class],
        ['order_log', 'kind', OrderEntryKind::class],
        ['plan_wishes', 'kind', WishKind::class],
    ] as [$table, $column, $enum]) {
        expect($words($table, $column))->toEqualCanonicalizing($values($enum), "{$table}.{$column}");
    }
});

it('lets nothing refer to what is not there', function () {
    $lot = lot('L-0101');
    $move = static fn (array $over): array => $over + [
        'lot_id' => $lot->id,
        'mass_g' => -1,
        'kind' => 'drawn',
        'reason' => 'x',
        'by_id' => person()->id,
        'at' => now(),
    ];
    expect(refusedByDatabase(
        static fn () => DB::table('lot_movements')->insert($move(['run_id' => fake_uuid()])),
    ))->toBeTrue()
        ->and(refusedByDatabase(
            static fn () => DB::table('lot_movements')->insert($move(['charge_id' => fake_uuid()])),
        ))->toBeTrue()
        ->and(refusedByDatabase(
            static fn () => DB::table('run_materials')->where('run_id', Run::query()->value('id'))
                ->update(['lot_id' => 999999]),
        ))->toBeTrue()
        ->and(refusedByDatabase(
            static fn () => DB::table('lot_movements')->insert($move(['run_id' => Run::query()->value('id')])),
        ))->toBeFalse();
});

it('keeps rows to what they say of each other', function () {
    $run = Run::query()->where('status', 'finished')->firstOrFail();
    expect(refusedByDatabase(
        static fn () => DB::table('runs')->where('id', $run->id)->update(['status' => 'running']),
    ))->toBeTrue()
        ->and(refusedByDatabase(
            static fn () => DB::table('inspections')->where('run_id', $run->id)->update(['mass_g' => -1]),
        ))->toBeTrue()
        ->and(refusedByDatabase(
            static fn () => RunEvent::query()->create([
                'run_id' => $run->id,
                'seq' => 0,
                'key' => 'zero-0000',
                'type' => 'noted',
                'at' => now(),
                'by_id' => person()->id,
                'data' => [],
            ]),
        ))->toBeTrue();
});

it('has an index for every look that the pages take', function (string $table, string $column) {
    $found = DB::scalar(
        'select count(*) from pg_index i join pg_attribute a on a.attrelid = i.indrelid and a.attnum = i.indkey[0]
            where i.indrelid = ?::regclass and a.attname = ?',
        [$table, $column],
    );
    expect((int) $found)->toBeGreaterThan(0);
})->with([
    ['run_materials', 'lot_id'],
    ['run_materials', 'run_id'],
    ['lots', 'source_id'],
    ['weighings', 'lot_id'],
    ['lot_movements', 'other_lot_id'],
    ['lot_movements', 'run_id'],
    ['run_stations', 'machine_id'], ['tasks', 'by_id'], ['source_events', 'source_id'],
]);

it('holds a source to its rungs through the model too', function () {
    expect(refusedByDatabase(
        static fn () => DB::table('sources')->insert(['name' => 'x', 'state' => 'fine', 'note' => '']),
    ))->toBeTrue()
        ->and(Source::query()->count())->toBeGreaterThan(2);
});

it('makes room for the readings of the months to come, once, and not over what has come already', function (): void {
    $months = static fn (): array => array_column(DB::select(
        "select c.relname as name from pg_inherits i join pg_class c on c.oid = i.inhrelid
         where i.inhparent = 'readings'::regclass order by 1",
    ), 'name');
    $this->travelTo(CarbonImmutable::parse('2031-03-15T12:00:00Z'));
    $machine = Machine::query()->value('id');
    // By a clock that ran ahead something lies in the one for all the rest.
    DB::table('readings')->insert(
        ['at' => '2031-05-02T00:00:00Z', 'machine_id' => $machine, 'channel' => 'x', 'value' => 1],
    );
    $this->artisan('shop:make-room', ['--months' => 3])->assertSuccessful();
    expect($months())->toContain('readings_2031_03', 'readings_2031_04', 'readings_2031_06')
        ->not->toContain('readings_2031_05')->not->toContain('readings_2031_07');
    DB::table('readings')->insert(
        ['at' => '2031-04-02T00:00:00Z', 'machine_id' => $machine, 'channel' => 'x', 'value' => 2],
    );
    expect((int) DB::table('readings_2031_04')->count())->toBe(1);
    // What is only ever added to stays so in a new month too.
    expect(static fn () => DB::transaction(
        static fn () => DB::statement("delete from readings where at >= '2031-04-01'"),
    ))->toThrow(Illuminate\Database\QueryException::class, 'append-only');
    $before = count($months());
    $this->artisan('shop:make-room', ['--months' => 3])->assertSuccessful();
    expect($months())->toHaveCount($before);
});
