<?php

declare(strict_types=1);

namespace App\Causes\Models;

use App\People\Models\User;
use App\Runs\Models\Run;
use Carbon\CarbonImmutable;
use Dithermic\Core\Diagnosis\CaseFile;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A bad piece whose cause is looked for. Its truth is its log.
 *
 * @property string $id
 * @property string $run_id
 * @property int|null $piece null for a run that is one pass
 * @property CarbonImmutable $at
 * @property Run $run
 * @property User $by
 * @property Collection<int, CaseLine> $lines
 */
final class CaseOf extends Model
{
    public $incrementing = false;

    public $timestamps = false;

    protected $table = 'cases';

    protected $keyType = 'string';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** What its log adds up to. */
    public function file(): CaseFile
    {
        $file = new CaseFile;
        foreach ($this->lines as $line) {
            $file->add($line->kind, $line->said, (float) $line->at->format('U.v'));
        }

        return $file;
    }

    /** @return HasMany<CaseLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(CaseLine::class, 'case_id')->orderBy('id');
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    protected function casts(): array
    {
        return ['at' => 'immutable_datetime'];
    }
}
