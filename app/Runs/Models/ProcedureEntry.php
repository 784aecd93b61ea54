<?php

declare(strict_types=1);

namespace App\Runs\Models;

use App\People\Models\User;
use App\Runs\Support\ProcedureEntryKind;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * One entry of how a shop works a procedure: the whole of its changes as proposed, or what a lead said to that.
 * Append-only; the newest approved one of a procedure is in force, without changes it is as shipped.
 *
 * @property int $id
 * @property string $key the procedure
 * @property ProcedureEntryKind $kind
 * @property int|null $proposal_id that a lead decided on
 * @property int|null $own the how manieth own way, of an approved one
 * @property int|null $after the approved entry that was in force when it was proposed, 0 for none
 * @property list<array<string, mixed>>|null $way all that is otherwise than shipped, of a proposal
 * @property list<string> $runs ids that prove it
 * @property string $reason
 * @property CarbonImmutable $at
 * @property-read User $by
 * @property-read self|null $proposal
 * @property-read self|null $decision
 */
final class ProcedureEntry extends Model
{
    public $timestamps = false;

    protected $table = 'procedure_log';

    protected $guarded = [];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** What is in force of a procedure; null where it never was anything but as shipped. */
    public static function inForce(string $key): ?self
    {
        return self::query()->where(['key' => $key, 'kind' => ProcedureEntryKind::Approved])
            ->with('proposal')
            ->orderByDesc('id')
            ->first();
    }

    /** @return Collection<int, self> proposals that nobody has decided on, newest first */
    public static function open(string $key): Collection
    {
        return self::query()->where(['key' => $key, 'kind' => ProcedureEntryKind::Proposed])
            ->whereDoesntHave('decision')
            ->with('by')
            ->orderByDesc('id')
            ->get();
    }

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /** @return BelongsTo<self, $this> */
    public function proposal(): BelongsTo
    {
        return $this->belongsTo(self::class, 'proposal_id');
    }

    /** @return HasOne<self, $this> */
    public function decision(): HasOne
    {
        return $this->hasOne(self::class, 'proposal_id');
    }

    protected function casts(): array
    {
        return [
            'kind' => ProcedureEntryKind::class,
            'way' => 'array',
            'runs' => 'array',
            'at' => 'immutable_datetime',
        ];
    }
}
