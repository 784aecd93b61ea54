<?php

declare(strict_types=1);

namespace Dithermic\Core\Process\VacuumForming;

use Dithermic\Core\Calculator\Field;

/**
 * A spoiled sheet that is heated once more in its clamp and formed again. Heated, what was stretched goes back, but not
 * wholly: of the true strain of a place, ln(sheet / wall), a share is set for good, and the next forming stretches that
 * place by as much again. So its wall is wall · (wall / sheet)^(n · set) after n times more. That the rubbery network
 * of a melt takes nearly all of a quick draw back is J. L. Throne, Understanding Thermoforming (2nd ed., 2008), on
 * memory; the share differs with polymer, heat and haste. SET is our bound, on the side of a wall that is too thin:
 * measured walls say more.
 */
final readonly class FormedAgain
{
    /** of the true strain, what a reheated sheet keeps */
    private const SET = 0.15;

    /** nobody tries it more often: it ages, and its clamped rim tears */
    private const MOST = 5;

    public function __construct(
        #[Field('formed so many times more')] public int $again,
        #[Field('the thinnest wall then', 'mm')] public float $thinnest_mm,
    ) {
    }

    /**
     * @param  float  $sheet  before it was formed at all, mm
     * @param  float  $wall  the thinnest after once, mm
     * @return list<self> as often as its wall bears it: down to what the product takes, and MOST times
     */
    public static function of(float $sheet, float $wall, ?float $least): array
    {
        $times = [];
        for ($again = 1; $again <= self::MOST; $again++) {
            $then = $wall * min(1.0, $wall / $sheet) ** ($again * self::SET);
            if ($least !== null && $then < $least) {
                break;
            }
            $times[] = new self($again, round($then, 2));
        }

        return $times;
    }
}
