<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Data\TraceData;
use App\Material\Data\TraceFlowData;
use App\Material\Data\TraceNodeData;
use App\Material\Models\Charge;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Support\MovementKind;
use App\Runs\Models\Run;
use App\Runs\Models\RunEvent;
use App\Runs\Queries\MadeOf;
use App\Support\Csv;
use App\Support\Seconds;
use Dithermic\Core\Run\EventType;
use Dithermic\Core\Stock\Mixing;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use stdClass;

/**
 * From a sack to every run that has of it, and from a run back to the sacks, with shares: what lots and runs are tied
 * by, and every line of those lots in the order it happened, put before the core's mixing.
 */
final class Recall
{
    /** lots and runs that one trace holds, and lines that are read for it */
    private const MOST = ['nodes' => 2000, 'lines' => 60_000];

    private const DEPTH = 12;

    public function __construct(private readonly MadeOf $madeOf)
    {
    }

    /** @var array<int, true> lots in it */
    private array $lots = [];

    /** @var array<string, true> runs in it */
    private array $runs = [];

    private bool $more = false;

    public function forward(Lot $lot): TraceData
    {
        $this->start([$lot->id], []);
        $new = [$lot->id];
        for ($depth = 0; $new !== [] && $depth < self::DEPTH; $depth++) {
            $children = LotMovement::query()->whereIn('other_lot_id', $new)->where('mass_g', '>', 0)->pluck('lot_id');
            $runs = $this->newRuns([
                ...LotMovement::query()->whereIn('lot_id', $new)->where('mass_g', '<', 0)->whereNotNull('run_id')
                    ->distinct()->pluck('run_id'),
                ...Charge::query()->whereNotNull('run_id')->whereIn(
                    'id',
                    LotMovement::query()->select('charge_id')->whereIn('lot_id', $new)->whereNotNull('charge_id'),
                )->pluck('run_id'),
            ]);
            $made = LotMovement::query()->whereIn('run_id', $runs)->where('kind', MovementKind::Made)->pluck('lot_id');
            $new = $this->newLots([...$children->all(), ...$made->all()]);
        }
        $mixing = $this->mixed($lot->id);
        $share = static fn (string $place): float => $mixing->shares($place)["lot:{$lot->id}"] ?? 0.0;
        $grams = static fn (string $place): float => $mixing->grams($place, "lot:{$lot->id}");

        return $this->told("Where {$lot->code} went", "lot:{$lot->id}", 'forward', $mixing, $share, $grams);
    }

    public function back(Run $run): TraceData
    {
        $this->start([], [$run->id]);
        $new = $this->newLots($this->into([$run->id]));
        for ($depth = 0; $new !== [] && $depth < self::DEPTH; $depth++) {
            $brought = LotMovement::query()->whereIn('lot_id', $new)->where('mass_g', '>', 0);
            // What another run left and this one was fed with comes from what that one was made of.
            $runs = $this->newRuns((clone $brought)->whereNotNull('run_id')->distinct()->pluck('run_id')->all());
            $new = $this->newLots([
                ...$brought->whereNotNull('other_lot_id')->distinct()->pluck('other_lot_id'),
                ...$this->into($runs),
            ]);
        }
        $mixing = $this->mixed(null);
        $shares = $mixing->shares("run:{$run->id}");
        $of = static fn (string $place): float => $place === "run:{$run->id}" ? 1.0 : $shares[$place] ?? 0.0;
        $total = array_sum(
            array_map(static fn (string $o): float => $mixing->grams("run:{$run->id}", $o), array_keys($shares)),
        );

        return $this->told(
            "What run {$run->number} is made of",
            "run:{$run->id}",
            'back',
            $mixing,
            $of,
            static fn (string $place): float => $of($place) * $total,
        );
    }

    /**
     * @param  list<string>  $runs
     * @return list<int> lots that went into them, by themselves or by a weighed charge
     */
    private function into(array $runs): array
    {
        return $runs === [] ? [] : array_values([
            ...LotMovement::query()->whereIn('run_id', $runs)->where('mass_g', '<', 0)->distinct()->pluck('lot_id'),
            ...LotMovement::query()->whereIn('charge_id', Charge::query()->select('id')->whereIn('run_id', $runs))
                ->distinct()->pluck('lot_id'),
        ]);
    }

    /** A line for each run that has of a lot: what to look at, and what to call back. */
    public function csv(TraceData $trace): string
    {
        $rows = array_filter($trace->nodes, static fn (TraceNodeData $n): bool => $n->kind === 'run');

        return Csv::write(['run', 'what', 'at', 'good', 'share_pct', 'grams', 'certainty', 'pieces'], array_map(
            static fn (TraceNodeData $n): array => [
                $n->title,
                $n->says,
                $n->at === null ? '' : Seconds::moment($n->at)->toIso8601ZuluString(),
                $n->good ?? '',
                round(100 * $n->share, 3),
                round($n->grams, 1),
                $n->sure ? 'sure' : 'mixed',
                $n->pieces ?? 'all',
            ],
            array_values($rows),
        ));
    }

    /**
     * @param  list<int>  $lots
     * @param  list<string>  $runs
     */
    private function start(array $lots, array $runs): void
    {
        $this->lots = array_fill_keys($lots, true);
        $this->runs = array_fill_keys($runs, true);
        $this->more = false;
    }

    /**
     * @param  array<int, int>  $found
     * @return list<int> that were not in it
     */
    private function newLots(array $found): array
    {
        $new = array_values(array_filter(array_unique($found), fn (int $l): bool => ! isset($this->lots[$l])));
        $room = max(0, self::MOST['nodes'] - count($this->lots) - count($this->runs));
        $this->more = $this->more || count($new) > $room;
        $new = array_slice($new, 0, $room);
        $this->lots += array_fill_keys($new, true);

        return $new;
    }

    /**
     * @param  array<int, string>  $found
     * @return list<string>
     */
    private function newRuns(array $found): array
    {
        $new = array_values(array_filter(array_unique($found), fn (string $r): bool => ! isset($this->runs[$r])));
        $room = max(0, self::MOST['nodes'] - count($this->lots) - count($this->runs));
        $this->more = $this->more || count($new) > $room;
        $new = array_slice($new, 0, $room);
        $this->runs += array_fill_keys($new, true);

        return $new;
    }

    /** @param  int|null  $origin  the lot that is traced; null: every lot that came in by itself is an origin */
    private function mixed(?int $origin): Mixing
    {
        $mixing = new Mixing;
        $runs = array_keys($this->runs);
        // Also what else went into its runs: a run is not of one lot alone. Lists, not subselects: each has its index.
        $charges = Charge::query()->whereIn('run_id', $runs)->pluck('id')->all();
        $lines = LotMovement::query()
            ->where(fn (Builder $of) => $of->whereIn('lot_id', array_keys($this->lots))->orWhereIn('run_id', $runs)
                ->orWhereIn('charge_id', $charges))
            ->orderBy('at')->orderBy('id')
            ->limit(self::MOST['lines'] + 1)
            ->toBase()
            ->get(['lot_id', 'other_lot_id', 'mass_g', 'run_id', 'charge_id', 'at']);
        $this->more = $this->more || $lines->count() > self::MOST['lines'];
        $charged = Charge::query()->whereKey($lines->pluck('charge_id')->filter()->unique())->pluck('run_id', 'id');
        foreach ($lines as $line) {
            $this->line($mixing, $line, $origin, $charged->get((string) $line->charge_id));
        }

        return $mixing;
    }

    private function line(Mixing $mixing, stdClass $line, ?int $origin, ?string $chargedInto): void
    {
        $grams = (float) $line->mass_g;
        $lot = "lot:{$line->lot_id}";
        $own = $line->lot_id === $origin;
        if (! isset($this->lots[$line->lot_id])) {
            $into = $line->run_id ?? $chargedInto;
            if ($grams < 0 && $into !== null && isset($this->runs[$into])) {
                $mixing->bring("run:{$into}", Mixing::UNKNOWN, -$grams);
            }

            return;
        }
        if ($grams > 0) {
            $from = $line->other_lot_id;
            match (true) {
                // The lot that is traced is of itself, whatever it was made of.
                $own => $mixing->bring($lot, $lot, $grams),
                $line->run_id !== null && isset($this->runs[$line->run_id]) => $mixing->pour(
                    "run:{$line->run_id}",
                    $lot,
                    $grams,
                ),
                $from !== null && isset($this->lots[$from]) => $mixing->pour("lot:{$from}", $lot, $grams),
                default => $mixing->bring($lot, $origin === null ? $lot : Mixing::UNKNOWN, $grams),
            };

            return;
        }
        $run = $line->run_id ?? $chargedInto;
        if ($run !== null && isset($this->runs[$run])) {
            $mixing->pour($lot, "run:{$run}", -$grams);
        } elseif ($run !== null || $line->other_lot_id === null || ! isset($this->lots[$line->other_lot_id])) {
            // What goes to a lot of the trace is poured by the line of that lot.
            $mixing->lose($lot, -$grams);
        }
    }

    /**
     * @param  callable(string): float  $share
     * @param  callable(string): float  $grams
     */
    private function told(
        string $title,
        string $about,
        string $way,
        Mixing $mixing,
        callable $share,
        callable $grams,
    ): TraceData {
        $lots = Lot::query()->whereKey(array_keys($this->lots))->with('source')->get()->keyBy('id');
        // Without what each was set up with: that is a hundred times as long as what is said of it here.
        $runs = Run::query()->select(['id', 'number', 'product_id', 'verdict', 'started_at'])
            ->whereKey(array_keys($this->runs))
            ->with(['product', 'stations.machine'])
            ->counted()
            ->get()
            ->keyBy('id');
        $flows = [];
        foreach ($mixing->flows() as $flow) {
            if ($this->isIn($flow['from']) && $this->isIn($flow['to'])) {
                $flows[] = new TraceFlowData($flow['from'], $flow['to'], round($flow['grams'], 1));
            }
        }
        $made = array_fill_keys(array_map(static fn (TraceFlowData $f): string => $f->to, $flows), true);
        $nodes = [];
        foreach ($lots as $lot) {
            $nodes["lot:{$lot->id}"] = [
                'lot',
                $lot->code,
                "{$lot->polymer}, {$lot->colour} {$lot->form}",
                "/sort/lots/{$lot->id}",
                null,
                null,
            ];
            if (! isset($made["lot:{$lot->id}"])) {
                $nodes["source:{$lot->source->id}"] ??= [
                    'source',
                    $lot->source->name,
                    '',
                    "/sort/sources/{$lot->source->id}",
                    null,
                    null,
                ];
                $flows[] = new TraceFlowData("source:{$lot->source->id}", "lot:{$lot->id}", 0.0);
            }
        }
        foreach ($runs as $run) {
            $nodes["run:{$run->id}"] = [
                'run', "run {$run->number}", "{$run->product->name}, {$run->mainMachine()->name}", "/learn/{$run->id}",
                $run->good(), Seconds::of($run->started_at),
            ];
        }
        $pieces = $way === 'forward'
            ? $this->pieces($lots->filter(static fn (Lot $l): bool => $share("lot:{$l->id}") > 0))
            : [];
        $columns = self::columns(array_keys($nodes), $flows);
        $told = [];
        foreach ($nodes as $id => [$kind, $name, $says, $link, $good, $at]) {
            $part = $kind === 'source' ? 0.0 : $share($id);
            $told[] = new TraceNodeData(
                $id,
                $kind,
                $name,
                $says,
                $link,
                $columns[$id],
                round($part, 6),
                round($kind === 'source' ? 0.0 : $grams($id), 1),
                $part > 1 - 1e-6 || $part < 1e-9,
                $good,
                $at,
                $pieces[$id] ?? null,
            );
        }
        usort($told, static fn (TraceNodeData $a, TraceNodeData $b): int => [
            $a->column, -$a->share, $a->at ?? 0.0, $a->title,
        ]
            <=> [$b->column, -$b->share, $b->at ?? 0.0, $b->title]);

        return new TraceData($title, $about, $way, $told, $flows, $this->more);
    }

    /**
     * Of runs that went over to another lot in the middle: which of their pieces have of it.
     *
     * @param  Collection<int, Lot>  $lots  that have of what is traced
     * @return array<string, string> by node
     */
    private function pieces(Collection $lots): array
    {
        $changed = RunEvent::query()->whereIn('run_id', array_keys($this->runs))->where('type', EventType::LotChanged)
            ->distinct()->pluck('run_id');
        $runs = Run::query()
            ->whereKey($changed)
            ->with(['events.by', 'procedureVersion', 'product', 'materials.lot'])
            ->get();
        $pieces = [];
        foreach ($runs as $run) {
            $pieces["run:{$run->id}"] = (string) $this->madeOf->pieces(
                $run,
                array_values($lots->map(static fn (Lot $l): string => $l->code)->all()),
            );
        }

        return $pieces;
    }

    private function isIn(string $place): bool
    {
        [$kind, $id] = explode(':', $place, 2);

        return $kind === 'lot' ? isset($this->lots[(int) $id]) : isset($this->runs[$id]);
    }

    /**
     * From the left: each as far on as the longest way to it; a ring (poured there and back) is gone round so often and
     * no more.
     *
     * @param  list<string>  $ids
     * @param  list<TraceFlowData>  $flows
     * @return array<string, int>
     */
    private static function columns(array $ids, array $flows): array
    {
        $columns = array_fill_keys($ids, 0);
        for ($round = 0; $round < self::DEPTH; $round++) {
            $moved = false;
            foreach ($flows as $flow) {
                if (isset($columns[$flow->from], $columns[$flow->to]) && $columns[$flow->to] <= $columns[$flow->from]) {
                    $columns[$flow->to] = $columns[$flow->from] + 1;
                    $moved = true;
                }
            }
            if (! $moved) {
                break;
            }
        }

        return $columns;
    }
}
