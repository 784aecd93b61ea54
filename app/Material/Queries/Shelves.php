<?php

declare(strict_types=1);

namespace App\Material\Queries;

use App\Material\Models\Lot;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;

/** The lots on the shelves by polymer and number, page after page, each with what it holds. */
final readonly class Shelves
{
    public const PAGE = 100;

    /**
     * @param  string  $polymer  only of this one; '' of all
     * @param  string  $find  part of a code, colour, place, polymer or source; '' for all
     * @param  int  $after  the last lot of the page before; 0 begins
     * @param  bool  $emptied  those that hold nothing any more too: after some years they are nearly all
     * @return Collection<int, Lot>
     */
    public function page(string $polymer, string $find, int $after, bool $emptied = false): Collection
    {
        $last = $after === 0 ? null : Lot::query()->findOrFail($after);

        return Lot::query()->withHeld()->with(['source', 'reservedFor'])
            ->when(! $emptied, static fn (Builder $q) => $q->holding())
            ->when($polymer !== '', static fn (Builder $q) => $q->where('polymer', $polymer))
            ->when($find !== '', static fn (Builder $q) => self::named($q, $find))
            ->when(
                $last,
                static fn (Builder $q, Lot $l) => $q->whereRaw('(polymer, id) > (?, ?)', [$l->polymer, $l->id]),
            )
            ->orderBy('polymer')
            ->orderBy('id')
            ->limit(self::PAGE)
            ->get();
    }

    /**
     * @param  Builder<Lot>  $lots
     * @return Builder<Lot>
     */
    private static function named(Builder $lots, string $find): Builder
    {
        $like = '%'.addcslashes($find, '%_\\').'%';

        return $lots->where(
            static fn (Builder $q) => $q->where('code', 'ilike', $like)
                ->orWhere('colour', 'ilike', $like)
                ->orWhere('location', 'ilike', $like)
                ->orWhere('polymer', 'ilike', $like)
                ->orWhereHas('source', static fn (Builder $s) => $s->where('name', 'ilike', $like)),
        );
    }
}
