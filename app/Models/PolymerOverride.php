<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A value of the polymer library that this shop has changed. Append-only: the newest one for a path is in force.
 *
 * @property string $polymer
 * @property string $path
 * @property float $value
 */
final class PolymerOverride extends Model
{
    public const UPDATED_AT = null;

    protected $fillable = ['polymer', 'path', 'value', 'reason', 'by_id'];

    /** @return array<string, array<string, float>> */
    public static function inForce(): array
    {
        $inForce = [];
        foreach (self::query()->orderBy('id')->get(['polymer', 'path', 'value']) as $override) {
            $inForce[$override->polymer][$override->path] = (float) $override->value;
        }

        return $inForce;
    }
}
