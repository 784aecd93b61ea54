<?php

declare(strict_types=1);

namespace App\Runs\Models;

use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Run\Procedure;
use Illuminate\Database\Eloquent\Model;

/**
 * One version of a procedure; a run keeps the one it was run with.
 *
 * @property int $id
 * @property string $key
 * @property int $version
 * @property array<string, mixed> $body
 */
final class ProcedureVersion extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'procedures';

    private ?Procedure $read = null;

    protected $fillable = ['key', 'version', 'body'];

    /** The version that the core ships, stored the first time it is used. */
    public static function shipped(Definition $process, ?Plan $plan = null): self
    {
        $body = $plan === null ? $process->procedure() : $process->procedureFor($plan);

        return self::query()->firstOrCreate(
            ['key' => $body['id'], 'version' => $body['version']],
            ['body' => $body],
        );
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
