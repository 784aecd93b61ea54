<?php

declare(strict_types=1);

use Dithermic\Core\Instrument\Unit;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Channels: what instruments read of a machine, in what unit, between what it should stay, by how much it is off. Alarms: what
 * a channel told that it should not have, since when, and who answered.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('channels', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('machine_id')->constrained();
            $t->string('key', 40);
            $t->string('unit', 12);
            $t->string('watched', 10)->default('never');
            $t->double('low')->nullable();
            $t->double('high')->nullable();
            $t->string('follows', 60)->nullable();
            $t->double('delay_s')->default(10);
            $t->double('silent_s')->nullable();
            $t->double('per_min')->nullable();
            $t->jsonb('watch')->default('{}');
            $t->timestampTz('last_at', 3)->nullable();
            $t->double('last_value')->nullable();
            $t->unique(['machine_id', 'key']);
        });
        DB::statement("alter table channels add constraint channels_hold check (
            watched in ('never', 'run', 'always') and (low is null or high is null or low < high)
            and delay_s between 0 and 3600 and silent_s > 0 and per_min > 0 and (last_at is null) = (last_value is null)
            and (follows is null or watched <> 'always'))");
        DB::statement("create index channels_watched on channels (id) where watched <> 'never'");
        // What was said of it: limits as a whole, or by how much it is off.
        Schema::create('channel_log', static function (Blueprint $t): void {
            $t->id();
            $t->foreignId('channel_id')->constrained();
            $t->string('kind', 12);
            $t->jsonb('said');
            $t->text('note')->default('');
            $t->foreignId('by_id')->nullable()->constrained('users');
            $t->timestampTz('at', 3);
            $t->index(['channel_id', 'id']);
        });
        DB::statement("alter table channel_log add constraint channel_log_hold check (kind in ('limits', 'calibrated'))");
        DB::unprepared('create trigger channel_log_append_only before update or delete on channel_log
            for each row execute function refuse_change()');
        DB::unprepared('create trigger channel_log_no_truncate before truncate on channel_log
            for each statement execute function refuse_change()');
        Schema::create('alarms', static function (Blueprint $t): void {
            $t->uuid('id')->primary();
            $t->foreignId('channel_id')->constrained();
            $t->foreignUuid('run_id')->nullable()->constrained();
            $t->string('kind', 10);
            $t->double('value');
            $t->double('bound');
            $t->timestampTz('began_at', 3);
            $t->timestampTz('ended_at', 3)->nullable();
            $t->foreignId('answered_by')->nullable()->constrained('users');
            $t->timestampTz('answered_at', 3)->nullable();
            $t->text('note')->default('');
            $t->index(['channel_id', 'began_at']);
        });
        DB::statement("alter table alarms add constraint alarms_hold check (
            kind in ('low', 'high', 'fast', 'silent') and (answered_by is null) = (answered_at is null)
            and ended_at >= began_at)");
        DB::statement('create unique index alarms_standing on alarms (channel_id, kind) where ended_at is null');
        DB::statement('create index alarms_open on alarms (began_at) where ended_at is null or answered_at is null');
        DB::statement('create index alarms_run on alarms (run_id, began_at) where run_id is not null');
        $this->meet();
    }

    public function down(): void
    {
        foreach (['alarms', 'channel_log', 'channels'] as $table) {
            Schema::dropIfExists($table);
        }
    }

    /** What was read before channels were known by name. */
    private function meet(): void
    {
        $read = DB::select('select distinct on (machine_id, channel) machine_id, channel, at, value
            from readings order by machine_id, channel, at desc');
        foreach ($read as $one) {
            DB::table('channels')->insert([
                'machine_id' => $one->machine_id,
                'key' => $one->channel,
                'unit' => Unit::of($one->channel),
                'last_at' => $one->at,
                'last_value' => $one->value,
            ]);
        }
    }
};
