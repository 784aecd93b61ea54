<?php

declare(strict_types=1);

namespace Dithermic\Core\Process;

use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;

/**
 * Every setting of a piece with where it came from: who is heard first of those who say it, else the library or usual
 * practice.
 */
final readonly class Settled
{
    /** @param  array<string, PlannedSetting>  $all */
    private function __construct(private array $all)
    {
    }

    /**
     * @param  class-string  $class  of the settings, all of them optional
     * @param  array<string, Usual>  $usual  by name: the library's or usual practice, where nobody says it
     */
    public static function of(string $class, Said $said, array $usual): self
    {
        $all = [];
        foreach (Reader::plan($class) as [$parameter, $field]) {
            $name = $parameter->name;
            $known = $usual[$name] ?? new Usual(null, '');
            [$value, $origin] = [$known->value, $known->value === null ? '' : $known->origin];
            foreach ($said->by as [$who, $settings]) {
                if (isset($settings->{$name})) {
                    [$value, $origin] = [(float) $settings->{$name}, $who];

                    break;
                }
            }
            $all[$name] = new PlannedSetting(
                $name,
                $value,
                $field->unit,
                $known->low,
                $known->target ?? $value,
                $known->high,
                $origin,
                $field->about,
            );
        }

        return new self($all);
    }

    /** A number that must() has asked for, or that usual practice gives. */
    public function get(string $name): float
    {
        return (float) $this->all[$name]->value;
    }

    public function optional(string $name): ?float
    {
        return $this->all[$name]->value;
    }

    public function has(string $name): bool
    {
        return $this->all[$name]->value !== null;
    }

    /** @return array<string, string> where each stands in what a plan is asked with, by name */
    public function fields(): array
    {
        $names = array_keys($this->all);

        return array_combine($names, array_map(static fn (string $name): string => "settings.{$name}", $names));
    }

    /** @return list<PlannedSetting> */
    public function list(): array
    {
        return array_values($this->all);
    }

    /**
     * @param  array<string, string>  $why  what is lacking, by name
     *
     * @throws InputError naming the setting
     */
    public function mustHave(array $why): void
    {
        foreach ($why as $name => $says) {
            if ($this->all[$name]->value === null) {
                throw new InputError("settings.{$name}", $says);
            }
        }
    }

    /**
     * @param  list<string>  $names
     *
     * @throws InputError
     */
    public function mustBePositive(array $names): void
    {
        foreach ($names as $name) {
            if ($this->has($name) && $this->get($name) <= 0) {
                throw new InputError("settings.{$name}", 'must be above 0');
            }
        }
    }
}
