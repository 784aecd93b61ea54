<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Causes\Models\Flaw;
use App\People\Models\User;
use App\Runs\Models\Piece;
use Dithermic\Core\Practice\Dice;
use Illuminate\Database\Eloquent\Builder;
use Ramsey\Uuid\Uuid;

/** What somebody marked on the last bad parts: where the flow ends it is the mould's, what was too cold is so anywhere. */
final readonly class DemoFlaws
{
    private const LAST = 24;

    /** product, what was said of its bad parts, what that is, and where; null where it wanders */
    private const SEEN = [
        ['entrance reducer', 'short', 'short_shot', [0.93, 0.48]],
        ['frame spacer clip', 'short', 'short_shot', [0.5, 0.95]],
        ['syrup feeder tray', 'not sharp, heated too short', 'vac_no_detail', null],
        ['travel lid', 'blisters, heated too long', 'vac_blisters', null],
    ];

    /** of a side: a finger is no nearer */
    private const BESIDE = 0.018;

    public function __invoke(User $seer): void
    {
        foreach (self::SEEN as $i => [$product, $reason, $defect, $place]) {
            $dice = new Dice(2026 + $i);
            $bad = Piece::query()->where(['verdict' => 'scrap', 'reason' => $reason])->whereNotNull('ended_at')
                ->whereHas('run.product', static fn (Builder $of) => $of->where('name', $product))
                ->orderByDesc('ended_at')
                ->limit(self::LAST)
                ->get();
            foreach ($bad as $piece) {
                $at = static fn (int $axis): float => $place === null
                    ? $dice->between(0.08, 0.92)
                    : min(1.0, max(0.0, $dice->normal($place[$axis], self::BESIDE)));
                Flaw::query()->create([
                    'id' => Uuid::uuid7()->toString(),
                    'run_id' => $piece->run_id,
                    'piece' => $piece->number,
                    'defect' => $defect,
                    'along' => round($at(0), 4),
                    'across' => round($at(1), 4),
                    'by_id' => $seer->id,
                    'at' => $piece->ended_at?->addMinutes(2),
                ]);
            }
        }
    }
}
