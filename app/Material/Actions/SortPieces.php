<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Sorting;
use App\Material\Models\SortingBin;
use App\Material\Models\SortingEntry;
use App\Material\Support\SortingState;
use App\People\Models\User;
use App\Support\Conflict;
use App\Support\Sent;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\ValidatedInput;

/** A batch taken apart piece by piece into containers. It is stock only when the sorting is closed. */
final readonly class SortPieces
{
    /** grams within which an entry that came twice says the same */
    private const SAME_G = 0.0005;

    public function __construct(private PolymerLibrary $polymers, private Sent $sent)
    {
    }

    /** @param  array<string, mixed>  $given */
    public function start(User $by, array $given): Sorting
    {
        return DB::transaction(function () use ($by, $given): Sorting {
            $this->sent->as($given['id']);

            return Sorting::query()->firstOrCreate(
                ['id' => $given['id']],
                ['status' => SortingState::Open, 'by_id' => $by->id, 'started_at' => CarbonImmutable::now()] + $given,
            );
        });
    }

    /**
     * A container at a place; without a polymer it is for waste. Opened twice alike it is open once.
     *
     * @param  array<string, mixed>  $given
     *
     * @throws InputError
     */
    public function open(Sorting $sorting, array $given): void
    {
        $polymer = $given['polymer'] ?? null;
        if ($polymer !== null && ! $this->polymers->has($polymer)) {
            throw new InputError(
                'polymer',
                "there is no polymer \"{$polymer}\": take one of the library, UNKNOWN, or none for waste",
            );
        }
        $this->whileOpen($sorting, static function (Sorting $open) use ($given, $polymer): void {
            $bin = SortingBin::query()->where(['sorting_id' => $open->id, 'place' => $given['place']])->first();
            if ($bin === null) {
                SortingBin::query()->create(
                    ['sorting_id' => $open->id, 'polymer' => $polymer, 'location' => $given['location'] ?? ''] + $given,
                );
            } elseif ($bin->polymer !== $polymer || $bin->colour !== $given['colour']) {
                throw new InputError('place', 'is taken by another container: take the next number');
            }
        });
    }

    /**
     * Pieces or a weight into a container, or an entry taken back; once per id.
     *
     * @throws InputError
     */
    public function enter(Sorting $sorting, User $by, ValidatedInput $given): void
    {
        $this->whileOpen($sorting, function (Sorting $open) use ($by, $given): void {
            $id = $given->string('id')->value();
            $before = SortingEntry::query()->whereKey($id)->first();
            if ($before !== null) {
                self::isSame($before, $open, $given) || throw Conflict::of('id');

                return;
            }
            $what = $given->filled('undoes')
                ? self::undone($open, $given->string('undoes')->value())
                : self::put($open, $given);
            SortingEntry::query()->create(
                ['id' => $id, 'sorting_id' => $open->id, 'by_id' => $by->id, 'at' => CarbonImmutable::now()] + $what,
            );
        });
    }

    private static function isSame(SortingEntry $before, Sorting $sorting, ValidatedInput $given): bool
    {
        $undoes = $given->filled('undoes') ? $given->string('undoes')->value() : null;
        if ($before->sorting_id !== $sorting->id || $before->undoes !== $undoes) {
            return false;
        }

        return $undoes !== null || (
            (int) $before->bin_id === $given->integer('bin_id')
            && (int) $before->pieces === $given->integer('pieces')
            && abs((float) $before->mass_g - $given->float('mass_g')) < self::SAME_G
        );
    }

    /** @return array<string, mixed> the opposite of an entry of this sorting */
    private static function undone(Sorting $sorting, string $id): array
    {
        $was = SortingEntry::query()->where('sorting_id', $sorting->id)
            ->whereNull('undoes')
            ->whereKey($id)
            ->first() ?? throw new InputError('undoes', 'is not an entry of this sorting');
        if (SortingEntry::query()->where('undoes', $was->id)->exists()) {
            throw new InputError('undoes', 'was taken back already');
        }

        return [
            'bin_id' => $was->bin_id,
            'pieces' => -$was->pieces,
            'mass_g' => -(float) $was->mass_g,
            'undoes' => $was->id,
        ];
    }

    /** @return array<string, mixed> */
    private static function put(Sorting $sorting, ValidatedInput $given): array
    {
        $bin = $given->integer('bin_id');
        if (! SortingBin::query()->where('sorting_id', $sorting->id)->whereKey($bin)->exists()) {
            throw new InputError('bin_id', 'is not a container of this sorting');
        }
        $what = ['bin_id' => $bin, 'pieces' => $given->integer('pieces'), 'mass_g' => $given->float('mass_g')];
        if ($what['pieces'] === 0 && $what['mass_g'] === 0.0) {
            throw new InputError('pieces', 'say how many pieces, or what they weigh');
        }

        return $what;
    }

    private function whileOpen(Sorting $sorting, callable $work): void
    {
        DB::transaction(static function () use ($sorting, $work): void {
            $locked = Sorting::query()->whereKey($sorting->id)->lockForUpdate()->firstOrFail();
            if ($locked->status !== SortingState::Open) {
                throw new InputError('sorting', 'is closed: what is in the containers is stock now');
            }
            $work($locked);
        });
    }
}
