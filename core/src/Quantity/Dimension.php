<?php

declare(strict_types=1);

namespace Dithermic\Core\Quantity;

/** What kind of thing is being typed, the unit it is kept in, and the units people write it in. */
enum Dimension: string
{
    case Length = 'length';
    case Mass = 'mass';
    case Temperature = 'temperature';
    case Pressure = 'pressure';
    case Time = 'time';
    case Number = 'number';

    /** The unit that the shop's records and the core use. */
    public function unit(): string
    {
        return match ($this) {
            self::Length => 'mm', self::Mass => 'g', self::Temperature => '°C',
            self::Pressure => 'bar', self::Time => 'min', self::Number => '',
        };
    }

    /**
     * Unit as written (lower case) => [factor, offset]: value in unit() = typed × factor + offset.
     * Factors are exact by definition (international yard and pound 1959; ISO 80000); inHg is that of 0 °C.
     *
     * @return array<string, array{float, float}>
     */
    public function units(): array
    {
        return match ($this) {
            self::Length => ['mm' => [1, 0], 'cm' => [10, 0], 'm' => [1000, 0], 'in' => [25.4, 0], 'inch' => [25.4, 0],
                'inches' => [25.4, 0], '"' => [25.4, 0], 'ft' => [304.8, 0], '\'' => [304.8, 0]],
            self::Mass => [
                'g' => [1, 0],
                'kg' => [1000, 0],
                't' => [1e6, 0],
                'lb' => [453.59237, 0],
                'lbs' => [453.59237, 0],
                'oz' => [28.349523125, 0],
            ],
            self::Temperature => [
                '°c' => [1, 0],
                'c' => [1, 0],
                'k' => [1, -273.15],
                '°f' => [5 / 9, -160 / 9],
                'f' => [5 / 9, -160 / 9],
            ],
            self::Pressure => ['bar' => [1, 0], 'mbar' => [
                1e-3,
                0,
            ], 'pa' => [1e-5, 0], 'kpa' => [0.01, 0], 'mpa' => [10, 0],
                'psi' => [0.0689475729316836, 0],
                'inhg' => [0.03386389, 0],
                'torr' => [1.01325 / 760, 0],
                'atm' => [1.01325, 0]],
            self::Time => [
                'min' => [1, 0],
                's' => [1 / 60, 0],
                'sec' => [1 / 60, 0],
                'h' => [60, 0],
                'hr' => [60, 0],
                'm' => [1, 0],
            ],
            self::Number => ['' => [1, 0], '%' => [1, 0]],
        };
    }

    public function floor(): ?float
    {
        return match ($this) {
            self::Temperature => -273.15,
            self::Length, self::Mass, self::Time => 0.0,
            default => null,
        };
    }

    /**
     * Every dimension with its unit, the units people write and its floor, as JSON: the screens read quantities by this
     * table.
     */
    public static function table(): string
    {
        $table = [];
        foreach (self::cases() as $dimension) {
            $table[$dimension->value] = [
                'unit' => $dimension->unit(),
                'floor' => $dimension->floor(),
                'units' => $dimension->units(),
            ];
        }

        return json_encode(
            $table,
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
        )."\n";
    }
}
