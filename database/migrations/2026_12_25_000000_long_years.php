<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What a shop of many years asks for, without going through them: how much each lot holds and how many of each product
 * were made are kept in step with their ledgers, row by row, by the database itself; runs that ended of late, what came
 * and went by kind, pieces that were made and changes of a lot have an index of their own.
 */
return new class extends Migration
{
    /** name, on what */
    private const INDEXES = [
        'runs_ended' => 'runs (ended_at)',
        'lot_movements_kinds' => 'lot_movements (lot_id, kind) include (mass_g)',
        'run_events_lots' => "run_events (run_id) where type = 'lot_changed'",
        'pieces_made' => "pieces (run_id) where outcome <> 'dropped'",
    ];

    public function up(): void
    {
        foreach (self::INDEXES as $name => $on) {
            DB::statement("create index if not exists {$name} on {$on}");
        }
        // It stood for what lots hold; the one by kind does for the rest of what it was asked.
        DB::statement('drop index if exists lot_movements_held');
        DB::statement('create table lot_totals (lot_id bigint primary key references lots on delete cascade, mass_g numeric(14, 3) not null)');
        DB::statement('create table goods_totals (product_id bigint primary key references products on delete cascade, made bigint not null)');
        DB::statement('insert into lot_totals select lot_id, sum(mass_g) from lot_movements group by lot_id');
        DB::statement("insert into goods_totals select product_id, sum(count) from run_outputs where kind = 'goods' group by product_id");
        DB::unprepared('create or replace function total_lots() returns trigger language plpgsql as $$
            begin
                insert into lot_totals as t (lot_id, mass_g)
                select lot_id, sum(mass_g) from new_rows group by lot_id order by lot_id
                on conflict (lot_id) do update set mass_g = t.mass_g + excluded.mass_g;
                return null;
            end $$');
        DB::unprepared("create or replace function total_goods() returns trigger language plpgsql as $$
            begin
                insert into goods_totals as t (product_id, made)
                select product_id, sum(count) from new_rows where kind = 'goods' group by product_id order by product_id
                on conflict (product_id) do update set made = t.made + excluded.made;
                return null;
            end $$");
        DB::unprepared('create trigger lot_movements_total after insert on lot_movements
            referencing new table as new_rows for each statement execute function total_lots()');
        DB::unprepared('create trigger run_outputs_total after insert on run_outputs
            referencing new table as new_rows for each statement execute function total_goods()');
    }

    public function down(): void
    {
        DB::unprepared('drop trigger if exists lot_movements_total on lot_movements');
        DB::unprepared('drop trigger if exists run_outputs_total on run_outputs');
        foreach (['total_lots()', 'total_goods()'] as $function) {
            DB::unprepared("drop function if exists {$function}");
        }
        foreach (['lot_totals', 'goods_totals'] as $table) {
            DB::statement("drop table if exists {$table}");
        }
        DB::statement('create index if not exists lot_movements_held on lot_movements (lot_id) include (mass_g)');
        foreach (array_keys(self::INDEXES) as $name) {
            DB::statement("drop index if exists {$name}");
        }
    }
};
