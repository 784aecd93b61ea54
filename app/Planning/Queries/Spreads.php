<?php

declare(strict_types=1);

namespace App\Planning\Queries;

use App\Runs\Models\Run;
use Dithermic\Core\Run\RunState;
use Dithermic\Core\Schedule\RunLength;
use Dithermic\Core\Schedule\Spread;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Cache;

/** How long runs of a product really took over what their plan says, the last ones. */
final class Spreads
{
    private const LAST = 12;

    /** what is known of a product is known until another run of it ends, and looked up again at the latest after so long, s */
    private const KEPT_S = 86_400;

    /** @var Collection<int, int>|null newest run that ended, by product */
    private ?Collection $newest = null;

    public function of(int $product): Spread
    {
        $this->newest ??= Run::query()->where('status', RunState::FINISHED)
            ->groupBy('product_id')
            ->selectRaw('product_id, max(number) as number')
            ->toBase()
            ->pluck('number', 'product_id');
        $newest = (int) $this->newest->get($product);
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
            ->orderByDesc('number')
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
