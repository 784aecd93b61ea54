<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use App\Shop\Models\Product;
use App\Support\Seconds;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;

/** Runs, the newest first: keyset pages by (started_at, id), as fast on the last page as on the first. */
final readonly class RunList
{
    private const PAGE = 50;

    /** what a line of the list needs */
    public const LISTED = ['product', 'stations.machine', 'materials.lot', 'starter', 'inspection', 'procedureVersion'];

    private const COLUMNS = [
        'id',
        'number',
        'product_id',
        'procedure_id',
        'polymer',
        'started_by',
        'plan',
        'status',
        'step',
        'verdict',
        'scrap_reason',
        'set_c',
        'started_at',
        'ended_at',
        'still_since',
    ];

    /**
     * @param  array{number?: ?int, process?: ?string, product_id?: ?int, verdict?: ?string, after?: ?string}  $wanted
     * @return array{Collection<int, Run>, ?string} a page, and what to ask for to go on
     */
    public function page(array $wanted): array
    {
        $runs = Run::query()->select(self::COLUMNS)->counted()->with(self::LISTED)
            ->when($wanted['process'] ?? null, static fn (Builder $q, string $process) => $q->whereIn(
                'product_id',
                Product::query()->select('id')->where('process', $process),
            ))
            ->when($wanted['number'] ?? null, static fn (Builder $q, int $number) => $q->where('number', $number))
            ->when($wanted['product_id'] ?? null, static fn (Builder $q, int $id) => $q->where('product_id', $id))
            ->when($wanted['verdict'] ?? null, self::judged(...))
            ->when($wanted['after'] ?? null, self::after(...))
            ->orderByDesc('started_at')
            ->orderByDesc('id')
            ->limit(self::PAGE + 1)
            ->get();
        $page = $runs->take(self::PAGE);
        $last = $page->last();

        return [
            $page,
            $runs->count() > self::PAGE && $last !== null
                ? $last->started_at->format('U.v').'_'.$last->id
                : null,
        ];
    }

    /**
     * A run of several pieces is good when all of them are, and scrap when any is.
     *
     * @param  Builder<Run>  $runs
     */
    private static function judged(Builder $runs, string $verdict): void
    {
        match ($verdict) {
            'open' => $runs->where('status', 'running'),
            'good' => $runs->where(static function (Builder $q): void {
                $q->where('verdict', 'good')->orWhere(static function (Builder $p): void {
                    self::has($p, Piece::query()->good(), 'is not null');
                    self::has($p, Piece::query()->bad(), 'is null');
                });
            }),
            default => $runs->where(static function (Builder $q): void {
                $q->where('verdict', 'scrap');
                self::has($q, Piece::query()->bad(), 'is not null', 'or');
            }),
        };
    }

    /**
     * Whether a run has such a piece, asked run by run as the list goes: a plain "exists" beside an "or" would hash all
     * the pieces there are.
     *
     * @param  Builder<Run>  $runs
     * @param  Builder<Piece>  $pieces
     */
    private static function has(Builder $runs, Builder $pieces, string $is, string $boolean = 'and'): void
    {
        $one = $pieces->selectRaw('1')->whereColumn('run_id', 'runs.id')->limit(1);
        $runs->whereRaw("({$one->toSql()}) {$is}", $one->getBindings(), $boolean);
    }

    /** @param  Builder<Run>  $runs */
    private static function after(Builder $runs, string $after): void
    {
        [$at, $id] = explode('_', $after, 2);
        $runs->whereRaw(
            '(started_at, id) < (?, ?)',
            [Seconds::moment((float) $at)->format('Y-m-d H:i:s.vP'), $id],
        );
    }
}
