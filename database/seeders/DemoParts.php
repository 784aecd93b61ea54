<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Causes\Actions\ShowParts;
use App\People\Models\User;
use App\Runs\Models\Run;
use App\Shop\Actions\KeepPicture;
use Carbon\CarbonImmutable;
use Dithermic\Core\Practice\Dice;
use GdImage;
use Ramsey\Uuid\Uuid;

/** Drawn, not photographed: two pressed sheets, the one that a lead approved, and a later one with a void in it. */
final readonly class DemoParts
{
    private const SIDE = [800, 600];

    private const PLACE = 'top face';

    public function __construct(private KeepPicture $keep, private ShowParts $show)
    {
    }

    public function __invoke(User $lead, User $operator): void
    {
        $runs = Run::query()->where(['status' => 'finished', 'verdict' => 'good'])
            ->whereRelation('product', 'name', 'hive floor panel')
            ->orderByDesc('ended_at')->limit(2)->get();
        foreach ($runs->reverse()->values() as $i => $run) {
            CarbonImmutable::withTestNow(
                $run->ended_at,
                fn () => $this->shown($run, $i === 0, $lead, $operator),
            );
        }
    }

    private function shown(Run $run, bool $isGood, User $lead, User $operator): void
    {
        $id = Uuid::uuid7()->toString();
        $this->show->keep($id, $operator, $run, null, self::PLACE, $this->picture(! $isGood, $operator));
        if ($isGood) {
            $this->show->approve(Uuid::uuid7()->toString(), $lead, $run->product_id, self::PLACE, $id, null);
        }
    }

    private function picture(bool $void, User $by): string
    {
        $sheet = self::sheet($void, new Dice($void ? 8 : 7));
        $path = (string) tempnam(sys_get_temp_dir(), 'sheet');
        imagepng($sheet, $path);
        $id = ($this->keep)($path, $by);
        unlink($path);

        return $id;
    }

    /** Flakes of three colours in a sheet that lies on a bench. */
    private static function sheet(bool $void, Dice $dice): GdImage
    {
        [$w, $h] = self::SIDE;
        $image = imagecreatetruecolor($w, $h);
        assert($image instanceof GdImage);
        imagefilledrectangle($image, 0, 0, $w, $h, self::colour($image, 186, 174, 156));
        imagefilledrectangle($image, 70, 60, $w - 70, $h - 60, self::colour($image, 52, 92, 84));
        $flakes = [[222, 214, 190], [201, 104, 62], [38, 66, 74]];
        for ($i = 0; $i < 1600; $i++) {
            [$x, $y] = [(int) $dice->between(74, $w - 74), (int) $dice->between(64, $h - 64)];
            [$r, $g, $b] = $flakes[(int) floor($dice->between(0, 2.999))];
            [$long, $wide] = [(int) $dice->between(3, 22), (int) $dice->between(3, 10)];
            imagefilledellipse($image, $x, $y, $long, $wide, self::colour($image, $r, $g, $b));
        }
        if ($void) {
            imagefilledellipse($image, $w - 150, 130, 58, 34, self::colour($image, 22, 30, 30));
            imagefilledellipse($image, $w - 112, 168, 24, 18, self::colour($image, 22, 30, 30));
        }
        imagerectangle($image, 70, 60, $w - 70, $h - 60, self::colour($image, 24, 40, 40));

        return $image;
    }

    /**
     * @param  int<0, 255>  $r
     * @param  int<0, 255>  $g
     * @param  int<0, 255>  $b
     */
    private static function colour(GdImage $image, int $r, int $g, int $b): int
    {
        return (int) imagecolorallocate($image, $r, $g, $b);
    }
}
