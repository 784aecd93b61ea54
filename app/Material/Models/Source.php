<?php

declare(strict_types=1);

namespace App\Material\Models;

use Database\Factories\SourceFactory;
use Dithermic\Core\Safety\SourceState;
use Illuminate\Database\Eloquent\Factories\HasFactory;
use Illuminate\Database\Eloquent\Model;

/**
 * Where material comes from, and how far it is trusted.
 *
 * @property int $id
 * @property string $name
 * @property SourceState $state
 * @property string $note
 */
final class Source extends Model
{
    /** @use HasFactory<SourceFactory> */
    use HasFactory;

    protected $fillable = ['name', 'state', 'note'];

    protected function casts(): array
    {
        return ['state' => SourceState::class];
    }
}
