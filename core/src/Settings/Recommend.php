<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Heat\Barrel\BarrelSoak;
use Dithermic\Core\Heat\Barrel\BarrelSoakInput;
use Dithermic\Core\Heat\Bath\BarInBath;
use Dithermic\Core\Heat\Bath\BarInBathInput;
use Dithermic\Core\Heat\Press\PressCycle;
use Dithermic\Core\Heat\Press\PressCycleInput;
use Dithermic\Core\Heat\Sheet\VacuumSheet;
use Dithermic\Core\Heat\Sheet\VacuumSheetInput;
use Dithermic\Core\Heat\Wall\CoolingTime;
use Dithermic\Core\Heat\Wall\CoolingTimeInput;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Safety\Process;

/**
 * A set-up to begin with. Windows are the polymer library's (sources there: Rosato, Throne, ISO 294); a value of this
 * machine's last good run goes before them, a rule of the shop before both, and the machine's limit, the mould's and
 * the polymer's ceiling before everything. The zone profile rises evenly from the feed to the nozzle or die: the feed
 * zone is the library's, or 30 K under the melt and never under where the polymer softens (Rosato: 20 to 40 K).
 * Times come from the calculations that carry them, at the targets found. A start for a grade not yet known; the
 * supplier's data sheet and the first parts go before it.
 */
#[Calc('settings.recommend', 'a set-up to begin with: set-points, zones and times, and where each came from')]
final readonly class Recommend
{
    /** Settings of a process in the order of the sheet, and their unit. */
    private const SETTINGS = [
        'injection' => ['melt_c' => '°C', 'mould_c' => '°C', 'injection_pressure_bar' => 'bar', 'hold_pressure_bar' => 'bar', 'back_pressure_bar' => 'bar'],
        'extrusion' => ['melt_c' => '°C', 'feed_zone_c' => '°C', 'die_c' => '°C'],
        'compression' => ['platen_c' => '°C', 'pressure_bar' => 'bar'],
        'vacuum_forming' => ['sheet_normal_c' => '°C', 'mould_c' => '°C', 'release_c' => '°C'],
    ];

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(RecommendInput $in): RecommendResult
    {
        $polymer = $this->polymers->get($in->polymer);
        $process = $in->process->value;
        if ($polymer->morphology() === null) {
            throw new InputError('polymer', 'is not identified: sort it first; what nobody knows goes into no machine');
        }
        $why = $polymer->whyNot($process);
        if ($why !== null) {
            throw new InputError('process', "{$polymer->code} is not for this: {$why}");
        }
        foreach (['last_good_run' => $in->last_good_run, 'your_rules' => $in->your_rules] as $field => $list) {
            foreach ($list as $i => $known) {
                if (! isset(self::SETTINGS[$process][$known->setting])) {
                    throw new InputError("{$field}.{$i}.setting", 'must be one of: '.implode(', ', array_keys(self::SETTINGS[$process])));
                }
            }
        }
        $cautions = [];
        $settings = [];
        foreach (self::SETTINGS[$process] as $name => $unit) {
            $window = $this->window($polymer, $in, $name, $settings);
            if ($window !== null) {
                $settings[$name] = $this->settle($in, $polymer, $name, $unit, $window, $cautions);
            }
        }
        $zones = $in->process->hasBarrel() ? $this->zones($in, $polymer, $settings) : [];
        [$timers, $why] = $this->timers($in, $polymer, $settings);
        $cautions = [...$cautions, ...$why, ...$this->ofPart($in, $polymer), ...$polymer->hazards()];
        if ($polymer->mustBeDried()) {
            $cautions[] = "{$polymer->code} takes up water: dry it first.";
        }
        $cautions[] = 'Keep to the machine\'s manual and to local codes.';
        $first = reset($settings);
        if ($first === false) {
            throw new InputError('process', "the library knows no window of {$polymer->code} for this");
        }
        $said = array_map(static fn (Timer $t): string => sprintf('%s %s', str_replace('_', ' ', $t->timer), $t->seconds < 180 ? sprintf('%.0f s', $t->seconds) : sprintf('%.1f min', $t->seconds / 60)), $timers);

        return (new RecommendResult(array_values($settings), $zones, $timers, array_values(array_unique($cautions))))
            ->explain(sprintf('Begin at %.0f %s (%s)%s.', $first->target, $first->unit, $first->origin->value, $said === [] ? '' : '; '.implode(', ', $said)))
            ->warn($in->part->thickness_mm > 25 && $in->process !== Process::Extrusion ? 'So thick a part holds heat for very long: take the first one as a trial.' : null);
    }

    /**
     * @param  array<string, SetPoint>  $settings  found so far
     * @return array{float, float, float, string}|null low, target, high and the words for it
     */
    private function window(Polymer $polymer, RecommendInput $in, string $name, array $settings): ?array
    {
        $window = $polymer->process($in->process->value);
        $note = (string) ($window['note'] ?? '');
        if ($name === 'sheet_normal_c') {
            return [(float) $window['sheet_lower_c'], (float) $window['sheet_normal_c'], (float) $window['sheet_upper_c'], trim("mean of the sheet as the heater leaves. {$note}")];
        }
        if ($name === 'release_c') {
            $out = (float) $window['release_c'];

            return [min($in->room_c + 15, $out), $out, $out, 'off the mould at this or colder'];
        }
        if ($name === 'hold_pressure_bar') {
            $share = $window['hold_fraction'] ?? null;
            $inject = $settings['injection_pressure_bar'] ?? null;

            return is_array($share) && $inject !== null ? [$share['min'] * $inject->target, $share['typical'] * $inject->target, $share['max'] * $inject->target, sprintf('%.0f %% of the injection pressure', 100 * $share['typical'])] : null;
        }
        $range = $window[$name] ?? null;
        if (! is_array($range)) {
            return null;
        }
        $target = (float) $range['typical'];
        if ($name === 'mould_c' && $in->mould->fine_finish) {
            $target = ($range['typical'] + $range['max']) / 2;
            $note = 'a warm mould copies its surface better';
        }

        return [(float) $range['min'], $target, (float) $range['max'], $note];
    }

    /**
     * @param  array{float, float, float, string}  $window
     * @param  list<string>  $cautions
     */
    private function settle(RecommendInput $in, Polymer $polymer, string $name, string $unit, array $window, array &$cautions): SetPoint
    {
        [$low, $target, $high, $because] = $window;
        $origin = Origin::Library;
        foreach ([[Origin::LastGoodRun, $in->last_good_run], [Origin::YourRule, $in->your_rules]] as [$from, $list]) {
            foreach ($list as $known) {
                if ($known->setting === $name) {
                    if ($known->target < $low || $known->target > $high) {
                        $cautions[] = sprintf('%s: %s %s is outside the usual %s to %s %s of %s.', self::words($name), self::figure($known->target), $unit, self::figure($low), self::figure($high), $unit, $polymer->code);
                    }
                    [$low, $target, $high] = [$known->low ?? min($low, $known->target), $known->target, $known->high ?? max($high, $known->target)];
                    $origin = $from;
                    $because = $known->because;
                }
            }
        }
        $heats = in_array($name, ['melt_c', 'die_c', 'feed_zone_c', 'platen_c', 'sheet_normal_c'], true);
        $limits = [
            ['the machine may not go above it', $heats && $name !== 'sheet_normal_c' ? $in->machine->max_c : null],
            ["{$polymer->code} breaks down above it", $heats ? $polymer->ceiling() : null],
            ['the mould stands no more', match (true) {
                $name === 'mould_c' => $in->mould->max_c, in_array($name, ['injection_pressure_bar', 'pressure_bar', 'hold_pressure_bar'], true) => $in->mould->max_bar, default => null
            }],
        ];
        foreach ($limits as [$reason, $limit]) {
            if ($limit === null) {
                continue;
            }
            if ($low > $limit) {
                $cautions[] = sprintf('%s: at least %s %s is wanted and only %s %s is allowed: %s.', self::words($name), self::figure($low), $unit, self::figure($limit), $unit, $reason);
            }
            if ($target > $limit) {
                $because = trim(sprintf('held to %s %s: %s. %s', self::figure($limit), $unit, $reason, $because));
            }
            [$low, $target, $high] = [min($low, $limit), min($target, $limit), min($high, $limit)];
        }

        return new SetPoint($name, $unit, $low, $target, $high, $origin, $because);
    }

    /**
     * @param  array<string, SetPoint>  $settings
     * @return list<Zone>
     */
    private function zones(RecommendInput $in, Polymer $polymer, array $settings): array
    {
        $melt = ($settings['die_c'] ?? $settings['melt_c'])->target;
        $softens = ($polymer->typical('tm_c') ?? ($polymer->typical('tg_c') ?? 0.0) + 40) + 5;
        $feed = min($melt, max($settings['feed_zone_c']->target ?? $melt - 30, $softens));
        $zones = [];
        for ($i = 0; $i < $in->machine->zones; $i++) {
            $share = $in->machine->zones === 1 ? 1.0 : $i / ($in->machine->zones - 1);
            $name = match (true) {
                $in->machine->zones === 1 => 'barrel',
                $i === 0 => 'feed',
                $i === $in->machine->zones - 1 => $in->process === Process::Extrusion ? 'die' : 'nozzle',
                default => 'zone '.($i + 1),
            };
            $zones[] = new Zone($name, round($feed + $share * ($melt - $feed)));
        }

        return $zones;
    }

    /**
     * @param  array<string, SetPoint>  $settings
     * @return array{list<Timer>, list<string>} the timers, and why one is missing
     */
    private function timers(RecommendInput $in, Polymer $polymer, array $settings): array
    {
        $timers = [];
        $missing = [];
        $try = static function (callable $work) use (&$timers, &$missing): void {
            try {
                $timers = [...$timers, ...$work()];
            } catch (InputError $error) {
                $missing[] = "No time for this: {$error->field} {$error->getMessage()}.";
            }
        };
        $part = $in->part;
        if ($in->process === Process::Compression) {
            $try(function () use ($in, $polymer, $settings, $part): array {
                $press = $in->machine->press !== null && $part->length_mm !== null && $part->width_mm !== null ? ['press' => array_filter(get_object_vars($in->machine->press), static fn (mixed $v): bool => $v !== null)] : [];
                $cycle = (new PressCycle($this->polymers))(Reader::read(PressCycleInput::class, ['polymer' => $polymer->code, 'thickness_mm' => $part->thickness_mm, 'initial_c' => $in->room_c, 'platen_c' => $settings['platen_c']->target, 'length_mm' => $part->length_mm, 'width_mm' => $part->width_mm] + $press));

                return [new Timer('heat', 60 * $cycle->heat_min, 'heat.press_cycle', sprintf('until the middle has %.0f °C', $cycle->core_target_c)), new Timer('soak', 60 * $cycle->soak_min, 'heat.press_cycle', 'the middle evens out'), new Timer('cool', 60 * $cycle->cool_min, 'heat.press_cycle', sprintf('under load until %.0f °C', $cycle->demould_c))];
            });
        }
        if ($in->process === Process::Injection) {
            $try(function () use ($polymer, $settings, $part): array {
                $out = $polymer->typical('demould_c') ?? throw new InputError('demould_c', 'is not known');
                $cool = (new CoolingTime($this->polymers))(Reader::read(CoolingTimeInput::class, ['polymer' => $polymer->code, 'thickness_mm' => $part->thickness_mm, 'melt_c' => $settings['melt_c']->target, 'mould_c' => $settings['mould_c']->target, 'eject_c' => $out]));

                return [new Timer('cool', $cool->cooling_s, 'heat.cooling_time', sprintf('until the middle of the wall has %.0f °C', $out))];
            });
        }
        if ($in->process->hasBarrel() && $in->machine->barrel_diameter_mm !== null) {
            $try(function () use ($in, $polymer, $settings): array {
                $soak = (new BarrelSoak($this->polymers))(Reader::read(BarrelSoakInput::class, ['polymer' => $polymer->code, 'barrel_diameter_mm' => $in->machine->barrel_diameter_mm, 'wall_c' => $settings['melt_c']->target, 'feed_c' => $in->room_c, 'target_c' => min($settings['melt_c']->low, $settings['melt_c']->target - 5)]));

                return [new Timer('soak', 60 * $soak->soak_min_full, 'heat.barrel_soak', 'a plunger barrel filled cold, until its axis is melt')];
            });
        }
        if ($in->process === Process::Extrusion) {
            $try(function () use ($in, $polymer, $settings, $part): array {
                $bar = (new BarInBath($this->polymers))(Reader::read(BarInBathInput::class, ['polymer' => $polymer->code, 'melt_c' => $settings['melt_c']->target, 'bath_c' => $in->mould->bath_c, 'width_mm' => $part->width_mm ?? $part->thickness_mm, 'height_mm' => $part->thickness_mm]));

                return [new Timer('bath', 60 * ($bar->minutes_to_core ?? throw new InputError('bath_c', 'never cools the middle of the bar enough')), 'heat.bar_in_bath', 'a closed bar mould, until its middle may come out')];
            });
        }
        if ($in->process === Process::VacuumForming && $in->machine->heater_c !== null) {
            $try(function () use ($in, $polymer, $settings, $part): array {
                $sheet = (new VacuumSheet($this->polymers))(Reader::read(VacuumSheetInput::class, ['polymer' => $polymer->code, 'thickness_mm' => $part->thickness_mm, 'initial_c' => $in->room_c, 'heater_c' => $in->machine->heater_c, 'exchange' => $in->machine->exchange, 'sides' => $in->machine->sides, 'ambient_c' => $in->room_c, 'sheet_normal_c' => $settings['sheet_normal_c']->target]));
                if ($sheet->ready_s === null) {
                    throw new InputError('heater_c', 'never brings the sheet there: the face would be too hot before the middle is ready');
                }

                return [new Timer('heat', $sheet->ready_s, 'heat.vacuum_sheet', 'until the mean of the sheet is there'), ...($sheet->form_within_s === null ? [] : [new Timer('form_within', $sheet->form_within_s, 'heat.vacuum_sheet', 'from the heater leaving to the vacuum')])];
            });
        }

        return [array_values($timers), $missing];
    }

    /** @return list<string> */
    private function ofPart(RecommendInput $in, Polymer $polymer): array
    {
        $most = $polymer->process('vacuum_forming')['max_area_draw_ratio'] ?? null;
        $draw = $in->part->area_draw_ratio;

        return $in->process === Process::VacuumForming && $draw !== null && is_numeric($most) && $draw > $most
            ? [sprintf('A draw of %.1f is above the %.1f that %s usually takes: help it with a plug, or make it shallower.', $draw, $most, $polymer->code)] : [];
    }

    private static function words(string $setting): string
    {
        return ucfirst(str_replace(['_c', '_bar', '_'], ['', '', ' '], $setting));
    }

    private static function figure(float $value): string
    {
        return rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.');
    }
}
