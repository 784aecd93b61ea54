<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $name
 * @property string $kind
 * @property array<string, float|int|string|null> $facts
 * @property string|null $last_polymer
 */
final class Machine extends Model
{
    private const BARRELS = ['plunger_injector', 'screw_injector', 'extruder'];

    protected $fillable = ['name', 'kind', 'facts', 'last_polymer'];

    public function hasBarrel(): bool
    {
        return in_array($this->kind, self::BARRELS, true);
    }

    public function fact(string $name): ?float
    {
        return isset($this->facts[$name]) ? (float) $this->facts[$name] : null;
    }

    protected function casts(): array
    {
        return ['facts' => 'array'];
    }
}
