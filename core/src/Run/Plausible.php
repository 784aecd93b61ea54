<?php

declare(strict_types=1);

namespace Dithermic\Core\Run;

use Dithermic\Core\Calculator\Field as Described;

/** Between what a number that is logged is believed at once; what is beyond is asked for once more, and then taken. */
final readonly class Plausible
{
    /** a mass so many times what was planned is a slip of a digit or of a unit */
    private const TIMES = 3.0;

    /** of the heaviest mass of a plan, where nothing says which of them a field means */
    private const TIMES_ANY = 20.0;

    /** nothing in a shop is colder */
    private const COLDEST_C = -10.0;

    private function __construct(
        public string $entry,
        public string $field,
        #[Described('in the unit of its dimension')] public ?float $low,
        #[Described('in the unit of its dimension')] public ?float $high,
        #[Described('why what is beyond cannot well be')] public string $says,
    ) {
    }

    /**
     * Of every number that a procedure logs.
     *
     * @param  array<string, float|int|string|null>  $targets  of the run's plan
     * @param  float|null  $ceilingC  above which the polymer breaks down or gives off fume, where that is known
     * @return list<self>
     */
    public static function of(Procedure $procedure, array $targets, string $polymer, ?float $ceilingC): array
    {
        $planned = self::planned($procedure, $targets);
        $heaviest = self::heaviest($targets);
        $all = [];
        foreach ($procedure->entries() as $entry) {
            foreach ($entry->fields as $field) {
                $mass = $planned["{$entry->id}.{$field->id}"] ?? null;
                $all[] = match (true) {
                    $field->dimension === 'temperature' => new self(
                        $entry->id,
                        $field->id,
                        self::COLDEST_C,
                        $ceilingC,
                        $ceilingC === null
                            ? 'That is colder than any shop.'
                            : sprintf('%s breaks down and gives off fume above %.0f °C.', $polymer, $ceilingC),
                    ),
                    $field->dimension === 'mass' && $mass !== null => new self(
                        $entry->id,
                        $field->id,
                        $mass / self::TIMES,
                        $mass * self::TIMES,
                        sprintf('Planned are %.0f g.', $mass),
                    ),
                    $field->dimension === 'mass' && $heaviest !== null => new self(
                        $entry->id,
                        $field->id,
                        null,
                        $heaviest * self::TIMES_ANY,
                        sprintf('The heaviest that this run plans with are %.0f g.', $heaviest),
                    ),
                    default => null,
                };
            }
        }

        return array_values(array_filter($all));
    }

    /** Whether a number is believed at once. */
    public function takes(float $value): bool
    {
        return ($this->low === null || $value >= $this->low) && ($this->high === null || $value <= $this->high);
    }

    /**
     * What a gate holds a field near to, by entry and field.
     *
     * @param  array<string, float|int|string|null>  $targets
     * @return array<string, float>
     */
    private static function planned(Procedure $procedure, array $targets): array
    {
        $planned = [];
        foreach ($procedure->steps() as $step) {
            foreach ($step->gates as $gate) {
                $value = $gate->near === null ? null : $targets[$gate->near] ?? null;
                if ($gate->entry !== null && is_numeric($value) && $value > 0) {
                    $planned["{$gate->entry}.".($gate->fields[0] ?? '')] = (float) $value;
                }
            }
        }

        return $planned;
    }

    /** @param  array<string, float|int|string|null>  $targets */
    private static function heaviest(array $targets): ?float
    {
        $masses = [];
        foreach ($targets as $name => $value) {
            if (str_ends_with($name, '_g') && is_numeric($value) && $value > 0) {
                $masses[] = (float) $value;
            }
        }

        return $masses === [] ? null : max($masses);
    }
}
