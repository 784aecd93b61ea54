<?php

declare(strict_types=1);

namespace App\Runs\Models;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Run\OwnWay;
use Dithermic\Core\Run\Procedure;
use Illuminate\Database\Eloquent\Model;

/**
 * One version of a procedure; a run keeps the one it was run with.
 *
 * @property int $id
 * @property string $key
 * @property int $version as shipped
 * @property int $own the how manieth own way of the shop over it, 0 as shipped
 * @property array<string, mixed> $body
 */
final class ProcedureVersion extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'procedures';

    private ?Procedure $read = null;

    protected $fillable = ['key', 'version', 'own', 'body'];

    /** The way that the shop works it now, stored the first time it is used; without a plan, of a run of one pass. */
    public static function inForce(Definition $process, ?Plan $plan = null): self
    {
        $body = self::bodyInForce($plan === null ? $process->procedure() : $process->procedureFor($plan));

        return self::query()->firstOrCreate(
            ['key' => $body['id'], 'version' => $body['version'], 'own' => $body['own'] ?? 0],
            ['body' => $body],
        );
    }

    /**
     * A procedure with the shop's own way laid over it. What no longer goes with what is shipped is left out whole,
     * until a lead has looked at it: a step of which nobody knows where it belongs is worse than none.
     *
     * @param  array<array-key, mixed>  $shipped
     * @return array<array-key, mixed>
     */
    public static function bodyInForce(array $shipped): array
    {
        return self::worked($shipped, ProcedureEntry::inForce((string) $shipped['id']));
    }

    /**
     * @param  array<array-key, mixed>  $shipped
     * @param  ProcedureEntry|null  $entry  that is in force
     * @return array<array-key, mixed>
     */
    public static function worked(array $shipped, ?ProcedureEntry $entry): array
    {
        $changes = $entry->proposal->way ?? [];
        if ($entry === null || $changes === []) {
            return $shipped;
        }
        try {
            return OwnWay::over($shipped, $changes) + ['own' => $entry->own];
        } catch (InputError) {
            return $shipped;
        }
    }

    /** As people say it: 3, or 3 · our own 2. */
    public function says(): string
    {
        return $this->own === 0 ? (string) $this->version : "{$this->version}, our own {$this->own}";
    }

    public function procedure(): Procedure
    {
        return $this->read ??= new Procedure($this->body);
    }

    protected function casts(): array
    {
        return ['body' => 'array'];
    }
}
