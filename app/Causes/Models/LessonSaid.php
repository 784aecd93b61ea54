<?php

declare(strict_types=1);

namespace App\Causes\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What was said to a run's lesson: taken into the next set-up, or not. Append-only, one for each run.
 *
 * @property string $id
 * @property string $run_id
 * @property string $setting
 * @property float|null $was
 * @property float $becomes
 * @property string $says
 * @property bool $taken
 * @property int|null $recipe_id
 * @property CarbonImmutable $at
 * @property User $by
 */
final class LessonSaid extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'lessons';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['was' => 'float', 'becomes' => 'float', 'taken' => 'boolean', 'at' => 'immutable_datetime'];
    }
}
