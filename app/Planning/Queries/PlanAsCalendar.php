<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Material\Models\Drying;
use App\Planning\Models\DayPlanned;
use App\Support\Calendar;
use App\Support\Seconds;

/**
 * The plan as it was shown last, what is due to whom, what comes out of a dryer: for the calendar that people carry.
 */
final readonly class PlanAsCalendar
{
    /** a plan of a day that began longer ago is of no use, s */
    private const DAY_S = 86_400.0;

    /** what is no stretch of time stands in a calendar for so long, s */
    private const MOMENT_S = 900.0;

    public function __construct(private Orders $orders)
    {
    }

    public function __invoke(): string
    {
        $calendar = new Calendar('The plan of the shop');
        foreach ($this->orders->open() as $order) {
            $calendar->add(
                "order-{$order->id}",
                "Due: {$order->count} {$order->product}",
                $order->due,
                $order->due + self::MOMENT_S,
                $order->at,
                "Order {$order->number}. {$order->words}",
            );
        }
        $this->addPlan($calendar);
        foreach (Drying::query()->whereNull('out_at')->with(['machine', 'lot'])->get() as $drying) {
            $at = Seconds::of($drying->ready_at);
            $calendar->add(
                "dry-{$drying->id}",
                "Out of {$drying->machine->name}: {$drying->lot->polymer} {$drying->lot->code}",
                $at,
                $at + self::MOMENT_S,
                $at,
            );
        }

        return $calendar->written();
    }

    private function addPlan(Calendar $calendar): void
    {
        $plan = DayPlanned::query()->where('day', '>=', Seconds::moment(Seconds::now() - self::DAY_S))
            ->orderByDesc('at')
            ->first();
        if ($plan === null) {
            return;
        }
        $day = Seconds::of($plan->day);
        foreach (DayPlanned::spans($plan->result['tasks'] ?? []) as $job => [$from, $to]) {
            $what = $plan->result['names'][$job] ?? $job;
            $does = DayWork::has((string) $job) ? 'Finish' : 'Make';
            $calendar->add(
                "plan-{$job}",
                "{$does}: {$what}",
                $day + 60 * $from,
                $day + 60 * $to,
                Seconds::of($plan->at),
            );
        }
    }
}
