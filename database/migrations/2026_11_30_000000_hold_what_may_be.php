<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What a column may hold, and what it refers to, is held by the database too: a fault in a program leaves no nonsense.
 */
return new class extends Migration
{
    /** @var array<string, array<string, list<string>>> table, column, values */
    private const ONE_OF = [
        'users' => ['role' => ['operator', 'lead']],
        'sources' => ['state' => ['on_trial', 'small_trial_passed', 'full_trial_passed', 'accepted']],
        'lots' => [
            'form' => ['item', 'flake', 'pellet', 'sheet', 'offcut', 'regrind', 'densified film'],
            'dry_state' => ['unknown', 'dry', 'use now', 'dry again'],
        ],
        'lot_movements' => ['kind' => [
            'delivered',
            'drawn',
            'corrected',
            'split',
            'merged',
            'shredded',
            'counted',
            'wasted',
            'sorted',
            'weighed',
            'returned',
            'put_right',
        ]],
        'charges' => ['status' => ['weighing', 'waiting', 'used', 'returned']],
        'weighings' => ['how' => ['scale', 'hand', 'simulated']],
        'sortings' => ['status' => ['open', 'closed']],
        'products' => ['process' => ['injection', 'extrusion', 'compression', 'vacuum_forming']],
        'runs' => ['status' => ['running', 'finished', 'aborted'], 'verdict' => ['good', 'scrap']],
        'run_events' => ['type' => [
            'started',
            'confirmed',
            'logged',
            'step_done',
            'extended',
            'corrected',
            'noted',
            'piece_begun',
            'piece_dropped',
            'closing',
            'aborted',
        ]],
    ];

    /** @var array<string, string> what must hold of a row, by table */
    private const HOLDS = [
        'run_events' => 'seq >= 1',
        'runs' => "status <> 'running' or ended_at is null",
        'recipes' => 'version >= 1',
        'procedures' => 'version >= 1',
        'mixes' => 'version >= 1',
        'inspections' => 'mass_g > 0 and mean_mm > 0 and range_mm >= 0',
    ];

    /** @var list<array{string, string, string}> table, column, what it refers to */
    private const REFERS = [
        ['charges', 'run_id', 'runs'], ['runs', 'charge_id', 'charges'], ['lot_movements', 'run_id', 'runs'],
        ['lot_movements', 'charge_id', 'charges'], ['source_events', 'run_id', 'runs'],
    ];

    public function up(): void
    {
        foreach (self::ONE_OF as $table => $columns) {
            foreach ($columns as $column => $values) {
                $list = implode(
                    ', ',
                    array_map(static fn (string $value): string => DB::getPdo()->quote($value), $values),
                );
                DB::statement(
                    "alter table {$table} add constraint {$table}_{$column}_known check ({$column} in ({$list}))",
                );
            }
        }
        foreach (self::HOLDS as $table => $condition) {
            DB::statement("alter table {$table} add constraint {$table}_hold check ({$condition})");
        }
        foreach (self::REFERS as [$table, $column, $to]) {
            // What an old shop still has of rows that refer to nothing stays as it was; no new one gets in.
            DB::statement(
                "alter table {$table} add constraint {$table}_{$column}_foreign foreign key ({$column}) references {$to} not valid",
            );
        }
        DB::statement('create index if not exists runs_lot on runs (lot_id)');
        DB::statement('create index if not exists lots_source on lots (source_id)');
        DB::statement('create index if not exists weighings_lot on weighings (lot_id)');
        DB::statement(
            'create index if not exists lot_movements_other on lot_movements (other_lot_id) where other_lot_id is not null',
        );
        DB::statement(
            'create index if not exists lot_movements_run on lot_movements (run_id) where run_id is not null',
        );
    }

    public function down(): void
    {
        foreach (self::ONE_OF as $table => $columns) {
            foreach (array_keys($columns) as $column) {
                DB::statement("alter table {$table} drop constraint if exists {$table}_{$column}_known");
            }
        }
        foreach (array_keys(self::HOLDS) as $table) {
            DB::statement("alter table {$table} drop constraint if exists {$table}_hold");
        }
        foreach (self::REFERS as [$table, $column]) {
            DB::statement("alter table {$table} drop constraint if exists {$table}_{$column}_foreign");
        }
        foreach (['runs_lot', 'lots_source', 'weighings_lot', 'lot_movements_other', 'lot_movements_run'] as $index) {
            DB::statement("drop index if exists {$index}");
        }
    }
};
