<?php

declare(strict_types=1);

namespace App\Material\Actions;

use App\Material\Models\Mix;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;
use Illuminate\Support\Facades\DB;

/** Keeps a mix as the next version of its name, never over one that was not seen. */
final readonly class KeepMix
{
    public function __construct(private PolymerLibrary $polymers)
    {
    }

    /** @param  array<string, mixed>  $given  name, polymer, after_version, components, note */
    public function __invoke(array $given, int $by): Mix
    {
        if (! $this->polymers->has($given['polymer']) || $this->polymers->get($given['polymer'])->neverHot()) {
            throw new InputError('polymer', 'take a polymer of the library: what is not known is not mixed');
        }

        return DB::transaction(static function () use ($given, $by): Mix {
            DB::select('select pg_advisory_xact_lock(hashtextextended(?, 1))', [$given['name']]);
            $newest = (int) Mix::query()->where('name', $given['name'])->max('version');
            if ($newest !== (int) $given['after_version']) {
                throw new InputError(
                    'after_version',
                    $newest === 0
                        ? 'there is no such mix yet'
                        : "somebody has kept version {$newest} meanwhile: look at it first",
                );
            }

            return Mix::query()->create([
                'name' => $given['name'],
                'version' => $newest + 1,
                'polymer' => $given['polymer'],
                'components' => array_values($given['components']),
                'note' => $given['note'] ?? '',
                'by_id' => $by,
                'created_at' => now(),
            ]);
        });
    }
}
