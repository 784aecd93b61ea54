<?php

declare(strict_types=1);

namespace App\Causes\Actions;

use App\Causes\Models\PartPicture;
use App\Causes\Models\SampleLine;
use App\People\Models\User;
use App\Runs\Models\Piece;
use App\Runs\Models\Run;
use App\Shop\Models\Product;
use App\Support\Sent;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;

/** A photograph of a part, and which one stands for what is good. Each is kept once however often it is sent. */
final readonly class ShowParts
{
    /** of a run */
    private const MOST = 500;

    public function __construct(private Sent $sent, private ShopClock $clock)
    {
    }

    /** @throws InputError */
    public function keep(string $id, User $by, Run $run, ?int $piece, string $place, string $picture): void
    {
        DB::transaction(function () use ($id, $by, $run, $piece, $place, $picture): void {
            Run::query()->whereKey($run->id)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            if ($piece !== null && ! Piece::query()->where('run_id', $run->id)->where('number', $piece)->exists()) {
                throw new InputError('piece', "{$piece} is none of this run");
            }
            if (PartPicture::query()->where('run_id', $run->id)->count() >= self::MOST) {
                throw new InputError('id', 'is one too many: '.self::MOST.' are kept of this run');
            }
            PartPicture::query()->create([
                'id' => $id,
                'run_id' => $run->id,
                'product_id' => $run->product_id,
                'piece' => $piece,
                'place' => self::named($place),
                'picture_id' => $picture,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    /**
     * @param  string|null  $picture  of a part; null: nothing stands for good there any more
     * @param  string|null  $before  what stood for good when it was looked at; null for none
     *
     * @throws InputError
     */
    public function approve(string $id, User $by, int $product, string $place, ?string $picture, ?string $before): void
    {
        DB::transaction(function () use ($id, $by, $product, $place, $picture, $before): void {
            Product::query()->whereKey($product)->lockForUpdate()->firstOrFail();
            if (! $this->sent->as($id)) {
                return;
            }
            $place = self::named($place);
            $stands = SampleLine::query()->where('product_id', $product)->where('place', $place)
                ->latest('id')->value('part_picture_id');
            if ($stands !== $before) {
                throw new InputError(
                    'before',
                    'is not what stands for good there now: somebody has approved another. Look again',
                );
            }
            $of = $picture === null ? null : PartPicture::query()->find($picture);
            if ($picture !== null && ($of === null || $of->product_id !== $product || $of->place !== $place)) {
                throw new InputError('part_picture_id', 'shows another product, or another place of it');
            }
            SampleLine::query()->create([
                'product_id' => $product,
                'place' => $place,
                'part_picture_id' => $of?->id,
                'by_id' => $by->id,
                'at' => $this->clock->moment(),
            ]);
        });
    }

    /** "  Gate side " and "gate side" are one place. */
    private static function named(string $place): string
    {
        return mb_strtolower(trim((string) preg_replace('/\s+/u', ' ', $place)));
    }
}
