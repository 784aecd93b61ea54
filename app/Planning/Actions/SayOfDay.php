<?php

declare(strict_types=1);

namespace App\Planning\Actions;

use App\People\Models\User;
use App\Planning\Models\DayOff;
use App\Planning\Models\PlanWish;
use App\Planning\Models\PowerSupply;
use App\Planning\Models\Presence;
use App\Planning\Models\ShiftNote;
use App\Planning\Models\Standstill;
use App\Planning\Support\WishKind;
use App\Planning\Support\WorkDay;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;

/** Says who is here when, which machine stands, when the shop is shut, what is wanted of a job, what the supply carries. */
final readonly class SayOfDay
{
    public function __construct(private Sent $sent, private ShopClock $clock)
    {
    }

    public function here(string $id, User $by, float $day, User $person, float $from, float $to): void
    {
        $this->once($id, fn () => Presence::query()->create([
            'person_id' => $person->id,
            'day' => Seconds::moment($day),
            'from_at' => Seconds::moment($from),
            'to_at' => Seconds::moment($to),
            'by_id' => $by->id,
            'at' => $this->clock->moment(),
        ]));
    }

    public function stands(
        string $id,
        User $by,
        float $day,
        Machine $machine,
        float $from,
        float $to,
        string $why,
    ): void {
        $this->once($id, fn () => Standstill::query()->create([
            'machine_id' => $machine->id,
            'day' => Seconds::moment($day),
            'from_at' => Seconds::moment($from),
            'to_at' => Seconds::moment($to),
            'why' => $why,
            'by_id' => $by->id,
            'at' => $this->clock->moment(),
        ]));
    }

    /** A day on which nobody works, or works after all. */
    public function off(string $id, User $by, float $day, bool $off, string $why): void
    {
        $this->once($id, fn () => DayOff::query()->create([
            'day' => Seconds::moment($day),
            'off' => $off,
            'why' => $why,
            'by_id' => $by->id,
            'at' => $this->clock->moment(),
        ]));
    }

    /** In own words, for who comes next. */
    public function toNext(string $id, User $by, string $text): void
    {
        $this->once($id, fn () => ShiftNote::query()->create([
            'id' => $id,
            'text' => $text,
            'by_id' => $by->id,
            'at' => $this->clock->moment(),
        ]));
    }

    /**
     * @param  int  $after  the newest wish of the day that was seen
     *
     * @throws InputError where somebody has wished something since
     */
    public function wish(string $id, User $by, float $day, string $job, WishKind $kind, ?float $start, int $after): void
    {
        $this->once($id, function () use ($by, $day, $job, $kind, $start, $after): void {
            DB::select('select pg_advisory_xact_lock(hashtextextended(?, 0))', ['wishes']);
            if ((int) WorkDay::of(PlanWish::query(), $day)->reorder()->max('id') !== $after) {
                throw new InputError(
                    'after',
                    'is not the newest: somebody has moved something in this plan. Look again',
                );
            }
            PlanWish::query()->create([
                'day' => Seconds::moment($day),
                'job' => $job,
                'kind' => $kind,
                'start_at' => $kind === WishKind::Pinned && $start !== null ? Seconds::moment($start) : null,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    public function supply(string $id, User $by, int $phases, ?float $amps): void
    {
        $this->once($id, fn () => PowerSupply::query()->create([
            'phases' => $phases,
            'amps' => $amps,
            'by_id' => $by->id,
            'at' => $this->clock->moment(),
        ]));
    }

    private function once(string $id, callable $work): void
    {
        DB::transaction(function () use ($id, $work): void {
            if ($this->sent->as($id)) {
                $work();
            }
        });
    }
}
