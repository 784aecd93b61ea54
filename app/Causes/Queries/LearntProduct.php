<?php

declare(strict_types=1);

namespace App\Causes\Queries;

use App\Causes\Data\AsRunData;
use App\Causes\Data\ChartData;
use App\Causes\Data\ChartPointData;
use App\Causes\Data\LearntProductData;
use App\Causes\Data\SetUpChangeData;
use App\Causes\Data\SetUpData;
use App\Causes\Data\WindowRunData;
use App\Runs\Models\Inspection;
use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use App\Support\Seconds;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Learning\Axes;
use Dithermic\Core\Learning\WindowResult;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Figure;
use Dithermic\Core\Process\Processes;
use Dithermic\Core\Quality\BrokenPoint;
use Dithermic\Core\Quality\CapabilityResult;
use Dithermic\Core\Quality\ControlChartResult;
use Dithermic\Core\Run\RunState;
use Illuminate\Database\Eloquent\Collection;

/** What the runs of a product taught: where it comes good, whether it is steady, and how its set-up came to be. */
final readonly class LearntProduct
{
    /** newest runs that the window is drawn from */
    private const RUNS = 200;

    /** newest checks of a figure on its chart */
    private const POINTS = 100;

    private const SET_UPS = 20;

    /** points under which a chart says nothing */
    private const LEAST = 5;

    public function __construct(
        private Processes $processes,
        private Registry $calculations,
        private LearntProducts $learnt,
    ) {
    }

    public function of(Product $product): LearntProductData
    {
        $process = $this->processes->get($product->process);
        $runs = Run::query()->select([
            'id', 'number', 'product_id', 'recipe_id', 'plan', 'done', 'verdict', 'started_at',
        ])
            ->where('product_id', $product->id)
            ->where('status', RunState::FINISHED)
            ->counted()
            ->orderByDesc('started_at')
            ->orderByDesc('id')
            ->limit(self::RUNS)
            ->get();

        return new LearntProductData(
            $this->learnt->one($product),
            $this->window($process, $runs),
            $this->charts($process, $runs),
            $this->setUps($product, $runs),
        );
    }

    /** @param  Collection<int, Run>  $runs  newest first */
    private function window(Definition $process, Collection $runs): ?AsRunData
    {
        $judged = $runs->filter(static fn (Run $r): bool => $r->good() + $r->bad() > 0)->values();
        $last = $judged->first();
        if ($last === null) {
            return null;
        }
        $planned = array_values(array_filter(
            $process->figures(),
            static fn (Figure $f): bool => ! $f->measured && is_numeric($last->plan[$f->id] ?? null),
        ));
        $axes = Axes::of(
            $planned,
            array_values($judged->map(static fn (Run $r): array => self::settings($planned, $r))->all()),
        );
        if ($axes === null) {
            return null;
        }
        [$x, $y] = [$axes->x, $axes->y];
        $points = array_values($judged->map(static fn (Run $r): WindowRunData => new WindowRunData(
            $r->id,
            $r->number,
            self::at($r, $x) ?? 0.0,
            self::at($r, $y) ?? 0.0,
            $r->good(),
            $r->bad(),
        ))->all());
        $next = [(float) $last->plan[$x->id], (float) $last->plan[$y->id]];
        $window = $this->calculations->run('learn.window', [
            'runs' => array_map(static fn (WindowRunData $r): array => [
                'x' => $r->x, 'y' => $r->y, 'good' => $r->good, 'bad' => $r->bad,
            ], $points),
            'x_planned' => $next[0],
            'y_planned' => $next[1],
        ]);
        assert($window instanceof WindowResult);

        return new AsRunData($x, $y, $points, $next[0], $next[1], $window);
    }

    /**
     * @param  list<Figure>  $settings
     * @return array<string, float> of those that it has
     */
    private static function settings(array $settings, Run $run): array
    {
        $has = [];
        foreach ($settings as $figure) {
            $value = self::at($run, $figure);
            if ($value !== null) {
                $has[$figure->id] = $value;
            }
        }

        return $has;
    }

    /** A setting as a run really did it, else as it was planned. */
    private static function at(Run $run, Figure $figure): ?float
    {
        $value = $run->done[$figure->id] ?? $run->plan[$figure->id] ?? null;

        return is_numeric($value) ? (float) $value : null;
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return list<ChartData>
     */
    private function charts(Definition $process, Collection $runs): array
    {
        $byId = $runs->keyBy('id');
        $checks = Inspection::query()->whereIn('run_id', $byId->keys())
            ->orderByDesc('at')
            ->orderByDesc('id')
            ->limit(self::POINTS)
            ->get()
            ->reverse()
            ->values();
        $pieces = Piece::query()->whereIn('run_id', $byId->keys()->take(self::POINTS))
            ->where('clocked', '<>', '{}')
            ->orderByDesc('began_at')
            ->orderByDesc('id')
            ->limit(self::POINTS)
            ->get()
            ->reverse()
            ->values();
        $limits = $process->limits($runs->first()->plan ?? []);
        $charts = [];
        foreach ($process->figures() as $figure) {
            $of = [
                ...$checks->filter(static fn (Inspection $c): bool => isset($c->figures[$figure->id]))
                    ->map(static fn (Inspection $c): array => [
                        $c->run_id,
                        $c->piece,
                        $c->at,
                        (float) $c->figures[$figure->id],
                    ]),
                ...$pieces->filter(static fn (Piece $p): bool => isset($p->clocked[$figure->id]))
                    ->map(static fn (Piece $p): array => [
                        $p->run_id,
                        $p->number,
                        $p->began_at,
                        (float) $p->clocked[$figure->id],
                    ]),
            ];
            if ($figure->measured && count($of) >= self::LEAST) {
                $charts[] = $this->chart($figure, $of, $byId, $limits[$figure->id] ?? [null, null]);
            }
        }

        return $charts;
    }

    /**
     * @param  non-empty-list<array{string, int|null, CarbonImmutable, float}>  $measured  run, piece, when and what
     * @param  Collection<string, Run>  $runs
     * @param  array{float|null, float|null}  $limits
     */
    private function chart(Figure $figure, array $measured, Collection $runs, array $limits): ChartData
    {
        $values = array_column($measured, 3);
        $chart = $this->calculations->run('quality.control_chart', ['kind' => 'i_mr', 'data' => $values]);
        assert($chart instanceof ControlChartResult);
        $broken = array_column($chart->points, null, 'index');
        $capable = $limits === [null, null] || count(array_unique($values)) < 2 ? null : $this->calculations->run(
            'quality.capability',
            ['data' => $values, 'lsl' => $limits[0], 'usl' => $limits[1]],
        );
        assert($capable === null || $capable instanceof CapabilityResult);
        $points = [];
        foreach ($measured as $i => [$of, $piece, $at, $value]) {
            $run = $runs->get($of);
            assert($run !== null);
            $points[] = new ChartPointData(
                $run->id,
                $run->number,
                $piece,
                Seconds::of($at),
                $value,
                isset($broken[$i]) ? array_map(BrokenPoint::says(...), $broken[$i]->rules) : [],
            );
        }

        return new ChartData(
            $figure,
            $points,
            $chart->centre,
            $chart->ucl,
            $chart->lcl,
            $limits[0],
            $limits[1],
            $capable?->cpk,
            $capable?->explanation,
            $chart->explanation,
        );
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return list<SetUpData>
     */
    private function setUps(Product $product, Collection $runs): array
    {
        $recipes = Recipe::query()->with(['by', 'machine'])->where('product_id', $product->id)
            ->orderByDesc('id')
            ->limit(self::SET_UPS)
            ->get();
        $byRecipe = $runs->groupBy('recipe_id');

        return array_values($recipes->map(static function (Recipe $r) use ($recipes, $byRecipe): SetUpData {
            $before = $recipes->first(
                static fn (Recipe $b): bool => $b->machine_id === $r->machine_id && $b->version === $r->version - 1,
            );
            $of = $byRecipe->get($r->id) ?? new Collection;

            return new SetUpData(
                $r->id,
                $r->machine->name,
                $r->version,
                $r->by->name,
                Seconds::of($r->created_at),
                $r->note,
                (int) $of->sum(static fn (Run $run): int => $run->good()),
                (int) $of->sum(static fn (Run $run): int => $run->bad()),
                $before === null ? [] : self::changes($before->settings, $r->settings),
            );
        })->all());
    }

    /**
     * @param  array<string, mixed>  $was
     * @param  array<string, mixed>  $becomes
     * @return list<SetUpChangeData>
     */
    private static function changes(array $was, array $becomes): array
    {
        $changes = [];
        foreach (array_keys($was + $becomes) as $setting) {
            $a = self::plain($was[$setting] ?? null);
            $b = self::plain($becomes[$setting] ?? null);
            if ($a !== $b) {
                $changes[] = new SetUpChangeData($setting, $a, $b);
            }
        }

        return $changes;
    }

    private static function plain(mixed $value): ?string
    {
        return match (true) {
            is_numeric($value) => (string) round((float) $value, 3),
            is_string($value) => $value,
            default => null,
        };
    }
}
