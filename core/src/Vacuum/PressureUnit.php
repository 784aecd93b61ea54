<?php

declare(strict_types=1);

namespace Dithermic\Core\Vacuum;

/** Units of pressure; a gauge unit is absolute less the atmosphere, so a vacuum is negative. 1 inHg is that of 0 °C. */
enum PressureUnit: string
{
    case InchesMercuryGauge = 'inhg_gauge';
    case KilopascalAbsolute = 'kpa_abs';
    case KilopascalGauge = 'kpa_gauge';
    case MillibarAbsolute = 'mbar_abs';
    case PsiAbsolute = 'psi_abs';
    case BarGauge = 'bar_gauge';
    case Torr = 'torr';

    private function kpa(): float
    {
        return match ($this) {
            self::InchesMercuryGauge => 3.386389,
            self::KilopascalAbsolute,
            self::KilopascalGauge => 1.0,
            self::MillibarAbsolute => 0.1,
            self::PsiAbsolute => 6.894757293168361, self::BarGauge => 100.0, self::Torr => 101.325 / 760,
        };
    }

    private function isGauge(): bool
    {
        return $this === self::InchesMercuryGauge || $this === self::KilopascalGauge || $this === self::BarGauge;
    }

    public function toAbsoluteKpa(float $value, float $atmosphere): float
    {
        return $value * $this->kpa() + ($this->isGauge() ? $atmosphere : 0.0);
    }

    public function fromAbsoluteKpa(float $kpa, float $atmosphere): float
    {
        return ($kpa - ($this->isGauge() ? $atmosphere : 0.0)) / $this->kpa();
    }
}
