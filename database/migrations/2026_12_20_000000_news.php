<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What was committed is told to whoever listens on the channel `news`: a word and a number, as "run 8f…" or "machine 3",
 * never what is in it. One statement tells each once, however many rows it has.
 */
return new class extends Migration
{
    /** @var array<string, array{string, string|null}> the word and the column of the number, by table */
    private const TOLD = [
        'run_events' => ['run', 'run_id'],
        'readings' => ['machine', 'machine_id'],
        'alarms' => ['alarms', null],
        'job_changes' => ['change', 'id'],
        'change_log' => ['change', 'change_id'],
        'lot_movements' => ['stock', null],
        'goods_movements' => ['goods', null],
        'dryings' => ['dry', null],
        'order_log' => ['plan', null],
        'plan_wishes' => ['plan', null],
        'presences' => ['plan', null],
        'sorting_entries' => ['sorting', 'sorting_id'],
        'weighings' => ['charge', 'charge_id'],
        'flaws' => ['flaws', 'run_id'],
    ];

    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            create or replace function tell_news() returns trigger language plpgsql as $$
            declare what text;
            begin
                if TG_NARGS = 1 then
                    perform pg_notify('news', TG_ARGV[0]);
                    return null;
                end if;
                for what in execute format('select distinct %I::text from new_rows', TG_ARGV[1]) loop
                    perform pg_notify('news', TG_ARGV[0] || ' ' || what);
                end loop;
                return null;
            end $$;
            SQL);
        foreach (self::TOLD as $table => [$word, $column]) {
            DB::unprepared($column === null
                ? "create trigger {$table}_news after insert or update on {$table}
                    for each statement execute function tell_news('{$word}')"
                : "create trigger {$table}_news after insert on {$table} referencing new table as new_rows
                    for each statement execute function tell_news('{$word}', '{$column}')");
        }
    }

    public function down(): void
    {
        foreach (array_keys(self::TOLD) as $table) {
            DB::unprepared("drop trigger {$table}_news on {$table}");
        }
        DB::unprepared('drop function if exists tell_news()');
    }
};
