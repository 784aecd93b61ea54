<?php

declare(strict_types=1);

namespace App\Causes\Queries;

use App\Causes\Data\LearntData;
use App\Causes\Data\OpenCaseData;
use App\Causes\Data\OpensWithData;
use App\Causes\Data\RecentRunData;
use App\Causes\Models\CaseOf;
use App\Runs\Models\Run;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use App\Support\Seconds;
use Dithermic\Core\Run\RunState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Products with what their last runs say; as many questions for one product as for a hundred. */
final readonly class LearntProducts
{
    /** last runs of a product that are looked at */
    private const LAST = 20;

    /** open causes that are named */
    private const CASES = 3;

    /** @return list<LearntData> what was made last first; what was never made is not among them */
    public function all(): array
    {
        $learnt = $this->of(Product::query()->orderBy('id')->get());
        $made = array_values(array_filter($learnt, static fn (LearntData $d): bool => $d->recent !== []));
        usort($made, static fn (LearntData $a, LearntData $b): int => self::last($b) <=> self::last($a));

        return $made;
    }

    public function one(Product $product): LearntData
    {
        return $this->of(new Collection([$product]))[0];
    }

    private static function last(LearntData $learnt): float
    {
        return $learnt->recent[count($learnt->recent) - 1]->at ?? 0.0;
    }

    /**
     * @param  Collection<int, Product>  $products
     * @return list<LearntData>
     */
    private function of(Collection $products): array
    {
        $ids = array_values($products->map(static fn (Product $p): int => $p->id)->all());
        $runs = $this->lastRuns($ids);
        $cases = CaseOf::query()->with('run:id,number,product_id')
            ->whereHas('run', static fn (Builder $q) => $q->whereIn('product_id', $ids))
            ->whereDoesntHave('lines', static fn (Builder $q) => $q->where('kind', 'closed'))
            ->orderByDesc('at')
            ->limit(self::CASES * count($ids))
            ->get()
            ->groupBy('run.product_id');
        $recipes = Recipe::query()->with(['by', 'machine'])
            ->whereIn('id', Recipe::query()->whereIn('product_id', $ids)->selectRaw('max(id)')->groupBy('product_id'))
            ->get()
            ->keyBy('product_id');

        return array_values($products->map(static function (Product $p) use ($runs, $cases, $recipes): LearntData {
            $recent = array_map(self::run(...), $runs[$p->id] ?? []);
            $recipe = $recipes->get($p->id);

            return new LearntData(
                $p->id,
                $p->name,
                $p->process,
                $p->polymer,
                array_sum(array_map(static fn (RecentRunData $r): int => $r->good, $recent)),
                array_sum(array_map(static fn (RecentRunData $r): int => $r->bad, $recent)),
                $recent,
                array_values(($cases->get($p->id) ?? new Collection)->take(self::CASES)->map(
                    static fn (CaseOf $c): OpenCaseData => new OpenCaseData(
                        $c->id,
                        $c->run_id,
                        $c->run->number,
                        Seconds::of($c->at),
                    ),
                )->all()),
                $recipe === null ? null : new OpensWithData(
                    $recipe->machine->name,
                    $recipe->version,
                    $recipe->by->name,
                    Seconds::of($recipe->created_at),
                    $recipe->note,
                ),
            );
        })->all());
    }

    private static function run(Run $run): RecentRunData
    {
        return new RecentRunData(
            $run->id,
            $run->number,
            $run->good(),
            $run->bad(),
            Seconds::of($run->started_at),
            $run->mainMachine()->name,
        );
    }

    /**
     * @param  list<int>  $products
     * @return array<int, list<Run>> oldest first, by product
     */
    private function lastRuns(array $products): array
    {
        $last = DB::table('products')->whereIn('products.id', $products)->joinLateral(
            DB::table('runs')->whereColumn('runs.product_id', 'products.id')
                ->where('status', RunState::FINISHED)
                ->orderByDesc('started_at')
                ->orderByDesc('id')
                ->limit(self::LAST)
                ->select('id as run_id'),
            'last',
        )->pluck('run_id');

        $byProduct = [];
        $runs = Run::query()->select(['id', 'number', 'product_id', 'verdict', 'started_at'])
            ->whereIn('id', $last)
            ->counted()
            ->with('stations.machine')
            ->orderBy('started_at')
            ->get();
        foreach ($runs as $run) {
            $byProduct[$run->product_id][] = $run;
        }

        return $byProduct;
    }
}
