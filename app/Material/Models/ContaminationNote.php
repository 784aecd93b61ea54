<?php

declare(strict_types=1);

namespace App\Material\Models;

use App\People\Models\User;
use Carbon\CarbonImmutable;
use Dithermic\Core\Stock\Findings;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;

/**
 * Foreign matter found in a sample of a lot.
 *
 * @property string $act_id
 * @property int $lot_id
 * @property string $found
 * @property float $found_g
 * @property float $sample_g
 * @property string $note
 * @property CarbonImmutable $at
 * @property User $by
 */
final class ContaminationNote extends Model
{
    protected $table = 'contaminations';

    protected $primaryKey = 'act_id';

    public $incrementing = false;

    protected $keyType = 'string';

    public $timestamps = false;

    protected $fillable = ['act_id', 'lot_id', 'found', 'found_g', 'sample_g', 'note', 'by_id', 'at'];

    protected $dateFormat = 'Y-m-d H:i:s.vP';

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }

    /**
     * What must still be taken to be in a lot, from its own samples and from those of the lots it was made of.
     *
     * @return list<string>
     */
    public static function standing(int $lot): array
    {
        $kin = DB::select('with recursive kin(lot_id, parent_id, at) as (
                select m.lot_id, m.other_lot_id, m.at from lot_movements m where m.lot_id = ? and m.other_lot_id is not null and m.mass_g > 0
                union select m.lot_id, m.other_lot_id, m.at from lot_movements m join kin on m.lot_id = kin.parent_id where m.other_lot_id is not null and m.mass_g > 0
            ) select lot_id, parent_id, extract(epoch from at)::float8 as at from kin', [$lot]);
        $parents = [];
        foreach ($kin as $edge) {
            $parents[(int) $edge->lot_id][] = ['lot' => (int) $edge->parent_id, 'at' => (float) $edge->at];
        }
        $samples = [];
        foreach (self::query()->whereIn('lot_id', [$lot, ...array_column($kin, 'parent_id')])->get() as $note) {
            $samples[$note->lot_id][] = [
                'found' => $note->found,
                'grams' => $note->found_g,
                'at' => (float) $note->at->format('U.v'),
            ];
        }

        return (new Findings($samples, $parents))->standing($lot);
    }

    protected function casts(): array
    {
        return ['found_g' => 'float', 'sample_g' => 'float', 'at' => 'immutable_datetime'];
    }
}
