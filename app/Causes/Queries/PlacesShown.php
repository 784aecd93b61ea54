<?php

declare(strict_types=1);

namespace App\Causes\Queries;

use App\Causes\Data\PartPictureData;
use App\Causes\Data\PlaceShownData;
use App\Causes\Models\PartPicture;
use App\Causes\Models\SampleLine;
use App\Runs\Models\Run;
use App\Support\Seconds;
use Illuminate\Support\Collection;

/** Places on a part, what stands for good at each, and how they are on a run. */
final readonly class PlacesShown
{
    /** of a run: who looks at more looks at none */
    private const NEWEST = 60;

    /** @return list<PlaceShownData> */
    public function ofRun(Run $run): array
    {
        $now = PartPicture::query()->where('run_id', $run->id)->with(['by', 'run:id,number'])
            ->orderByDesc('at')->limit(self::NEWEST)->get();

        return $this->places($this->approved($run->product_id), $now->toBase());
    }

    /** @return list<PlaceShownData> */
    public function ofProduct(int $product): array
    {
        return $this->places($this->approved($product), new Collection);
    }

    /** @return Collection<string, SampleLine> that stand, by place */
    private function approved(int $product): Collection
    {
        return SampleLine::query()
            ->whereIn('id', SampleLine::query()->selectRaw('max(id)')->where('product_id', $product)->groupBy('place'))
            ->whereNotNull('part_picture_id')
            ->with(['by', 'shown.by', 'shown.run'])
            ->get()
            ->toBase()
            ->keyBy('place');
    }

    /**
     * @param  Collection<string, SampleLine>  $approved
     * @param  Collection<int, PartPicture>  $now
     * @return list<PlaceShownData>
     */
    private function places(Collection $approved, Collection $now): array
    {
        return array_values($approved->keys()->merge($now->pluck('place'))->unique()->sort()->values()
            ->map(static function (string $place) use ($approved, $now): PlaceShownData {
                $line = $approved->get($place);

                return new PlaceShownData(
                    $place,
                    $line?->shown === null ? null : self::picture($line->shown),
                    $line?->by->name,
                    $line === null ? null : Seconds::of($line->at),
                    array_values($now->where('place', $place)->map(self::picture(...))->all()),
                );
            })
            ->all());
    }

    private static function picture(PartPicture $of): PartPictureData
    {
        return new PartPictureData(
            $of->id,
            $of->picture_id,
            $of->run->number,
            $of->run_id,
            $of->piece,
            $of->by->name,
            Seconds::of($of->at),
        );
    }
}
