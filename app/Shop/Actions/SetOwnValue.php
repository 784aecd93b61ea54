<?php

declare(strict_types=1);

namespace App\Shop\Actions;

use App\People\Models\User;
use App\Shop\Models\PolymerOverride;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\OwnValues;
use Dithermic\Core\Material\PolymerLibrary;
use Illuminate\Support\Facades\DB;

/** Sets the shop's own value of a polymer, or gives it back to the library. What was said before stays in the log. */
final class SetOwnValue
{
    /**
     * @param  int|null  $after  newest entry of this value that the lead has seen; null says nothing of it
     *
     * @throws InputError where it cannot be, contradicts the others, or somebody has set it meanwhile
     */
    public function __invoke(string $code, string $path, ?float $value, string $reason, User $by, ?int $after): void
    {
        DB::transaction(function () use ($code, $path, $value, $reason, $by, $after): void {
            DB::select('select pg_advisory_xact_lock(hashtextextended(?, 0))', ["own-values:{$code}"]);
            $inForce = PolymerOverride::inForce();
            $before = (new PolymerLibrary($inForce))->get($code, 'code');
            OwnValues::mustBe($before, $path, $value);
            $newest = (int) PolymerOverride::query()->where(['polymer' => $code, 'path' => $path])->max('id');
            if ($after !== null && $after !== $newest) {
                throw new InputError('after', 'somebody has set this value meanwhile: look at it first');
            }
            if ($value === null && ! isset($inForce[$code][$path])) {
                throw new InputError('value', 'is the library\'s already');
            }
            unset($inForce[$code][$path]);
            if ($value !== null) {
                $inForce[$code][$path] = $value;
            }
            $faults = array_diff(
                OwnValues::faults((new PolymerLibrary($inForce))->get($code)),
                // What contradicted itself before may be mended one value at a time; nothing may be made worse.
                OwnValues::faults($before),
            );
            if ($faults !== []) {
                throw new InputError('value', 'does not go with the others: '.implode('; ', $faults));
            }
            PolymerOverride::query()->create([
                'polymer' => $code,
                'path' => $path,
                'value' => $value,
                'reason' => $reason,
                'by_id' => $by->id,
            ]);
        });
    }
}
