<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Runs\Models\Run;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Schedule\RunLength;
use Dithermic\Core\Schedule\Spread;
use Illuminate\Support\Facades\Cache;

/** How long runs of a product really took over what their plan says, the last ones. */
final class Spreads
{
    private const LAST = 12;

    /**
     * what is known of a product is known until another run of it ends, and looked up again at the latest after so
     * long, s
     */
    private const KEPT_S = 86_400;

    /** @var array<int, int> newest run that is over, by product */
    private array $newest = [];

    public function of(int $product): Spread
    {
        $newest = $this->newest[$product] ??= (int) Run::query()
            ->where(['product_id' => $product, 'status' => RunState::FINISHED])
            ->orderByDesc('started_at')
            ->orderByDesc('id')
            ->value('number');
        [$least, $most, $runs] = Cache::remember("spread:{$product}:{$newest}", self::KEPT_S, function () use ($product): array {
            $found = $this->find($product);

            return [$found->least, $found->most, $found->runs];
        });

        return new Spread($least, $most, $runs);
    }

    private function find(int $product): Spread
    {
        $times = [];
        $runs = Run::query()
            ->where(['product_id' => $product, 'status' => RunState::FINISHED])
            ->whereNotNull('ended_at')
            ->with('procedureVersion')
            ->withCount('pieces')
            ->orderByDesc('started_at')
            ->orderByDesc('id')
            ->limit(self::LAST)
            ->get();
        foreach ($runs as $run) {
            $planned = RunLength::of($run->procedureVersion->procedure(), $run->plan)
                ->whole(max(1, (int) $run->getAttribute('pieces_count')));
            $took = ((float) $run->ended_at?->format('U.v') - (float) $run->started_at->format('U.v')) / 60;
            $times[] = [$took, $planned];
        }

        return Spread::ofTimes($times);
    }
}
