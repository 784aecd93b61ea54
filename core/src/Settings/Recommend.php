<?php

declare(strict_types=1);

namespace Dithermic\Core\Settings;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Drying\Form;
use Dithermic\Core\Drying\Plan;
use Dithermic\Core\Drying\PlanInput;
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
#[Calc(
    'settings.recommend',
    'a set-up to begin with: set-points, zones and times, and where each came from',
    size: 'part.thickness_mm',
)]
final readonly class Recommend
{
    /** Settings of a process in the order of the sheet, and their unit. */
    private const SETTINGS = [
        'injection' => [
            'melt_c' => '°C',
            'mould_c' => '°C',
            'injection_pressure_bar' => 'bar',
            'hold_pressure_bar' => 'bar',
            'back_pressure_bar' => 'bar',
        ],
        'extrusion' => ['melt_c' => '°C', 'feed_zone_c' => '°C', 'die_c' => '°C'],
        'compression' => ['platen_c' => '°C', 'pressure_bar' => 'bar'],
        'vacuum_forming' => ['sheet_normal_c' => '°C', 'mould_c' => '°C', 'release_c' => '°C'],
    ];

    /** one number for every polymer in the library */
    private const GENERIC = ['injection_pressure_bar', 'hold_pressure_bar', 'back_pressure_bar'];

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
                    throw new InputError(
                        "{$field}.{$i}.setting",
                        'must be one of: '.implode(', ', array_keys(self::SETTINGS[$process])),
                    );
                }
            }
        }
        $cautions = [];
        $settings = [];
        foreach (self::SETTINGS[$process] as $name => $unit) {
            if ($name === 'back_pressure_bar' && $in->machine->kind?->isPlunger() === true) {
                continue;
            }
            $window = $this->window($polymer, $in, $name, $settings);
            if ($window !== null) {
                $settings[$name] = $this->settle($in, $polymer, $name, $unit, $window, $cautions);
            }
        }
        $zones = $in->process->hasBarrel() ? $this->zones($in, $polymer, $settings) : [];
        $times = (new Times($this->polymers))->of($in, $polymer, $settings);
        $timers = $times->timers;
        $cautions = [
            ...$cautions,
            ...$times->missing,
            ...$this->ofPart($in, $polymer),
            ...$this->ofMachine($in),
            ...$this->ofWater($in, $polymer),
            ...$polymer->hazards(),
        ];
        $cautions[] = 'Keep to the machine\'s manual and to local codes.';
        $first = reset($settings);
        if ($first === false) {
            throw new InputError('process', "the library knows no window of {$polymer->code} for this");
        }
        $said = array_map(
            static fn (Timer $t): string => sprintf(
                '%s %s',
                str_replace('_', ' ', $t->timer),
                $t->seconds < 180 ? sprintf('%.0f s', $t->seconds) : sprintf('%.1f min', $t->seconds / 60),
            ),
            $timers,
        );

        return (new RecommendResult(
            array_values($settings),
            $zones,
            $timers,
            array_values(array_unique(array_filter($cautions))),
            $times->hottest_heater_c,
        ))
            ->explain(sprintf(
                'Begin at %.0f %s (%s)%s.',
                $first->target,
                $first->unit,
                $first->origin->value,
                $said === [] ? '' : '; '.implode(', ', $said),
            ))
            ->warn(
                $in->part->thickness_mm > 25 && $in->process !== Process::Extrusion
                    ? 'So thick a part holds heat for very long: take the first one as a trial.'
                    : null,
            );
    }

    /**
     * @param  array<string, SetPoint>  $settings  found so far
     * @return array{float, float, float, string}|null low, target, high and the words for it
     */
    private function window(Polymer $polymer, RecommendInput $in, string $name, array $settings): ?array
    {
        $window = $polymer->process($in->process->value);
        $note = $window->text('note', '');
        if ($name === 'sheet_normal_c') {
            return [
                $window->number('sheet_lower_c'),
                $window->number('sheet_normal_c'),
                $window->number('sheet_upper_c'),
                trim("mean of the sheet as the heater leaves. {$note}"),
            ];
        }
        if ($name === 'release_c') {
            $out = $window->number('release_c');

            return [min($in->room_c + 15, $out), $out, $out, 'off the mould at this or colder'];
        }
        if ($name === 'hold_pressure_bar') {
            $share = $window->range('hold_fraction');
            $inject = $settings['injection_pressure_bar'] ?? null;

            return $share !== null && $inject !== null
                ? [
                    $share->min * $inject->target,
                    $share->typical * $inject->target,
                    $share->max * $inject->target,
                    sprintf('%.0f %% of the injection pressure', 100 * $share->typical),
                ]
                : null;
        }
        $range = $window->range($name);
        if ($range === null) {
            return null;
        }
        $target = $range->typical;
        if ($name === 'melt_c' && $in->process === Process::Injection && $in->machine->kind?->isPlunger() === true) {
            // A plunger does not knead: the wall is the hottest place and the melt stays long. The middle of the low
            // third.
            $target = $range->min + ($range->max - $range->min) / 6;
            $note = trim("a plunger begins in the low third of the window. {$note}");
        }
        if ($name === 'mould_c' && $in->mould->fine_finish) {
            $target = ($range->typical + $range->max) / 2;
            $note = 'a warm mould copies its surface better';
        }

        return [$range->min, $target, $range->max, $note];
    }

    /**
     * @param  array{float, float, float, string}  $window
     * @param  list<string>  $cautions
     */
    private function settle(
        RecommendInput $in,
        Polymer $polymer,
        string $name,
        string $unit,
        array $window,
        array &$cautions,
    ): SetPoint {
        [$low, $target, $high, $because] = $window;
        $origin = in_array($name, self::GENERIC, true) ? Origin::Generic : Origin::Library;
        foreach ([[Origin::LastGoodRun, $in->last_good_run], [Origin::YourRule, $in->your_rules]] as [$from, $list]) {
            foreach ($list as $known) {
                if ($known->setting === $name) {
                    if ($known->target < $low || $known->target > $high) {
                        $cautions[] = sprintf(
                            '%s: %s %s is outside the usual %s to %s %s of %s.',
                            self::words($name),
                            self::figure($known->target),
                            $unit,
                            self::figure($low),
                            self::figure($high),
                            $unit,
                            $polymer->code,
                        );
                    }
                    [$low, $target, $high] = [
                        $known->low ?? min($low, $known->target),
                        $known->target,
                        $known->high ?? max($high, $known->target),
                    ];
                    $origin = $from;
                    $because = $known->because;
                }
            }
        }
        $heats = in_array($name, ['melt_c', 'die_c', 'feed_zone_c', 'platen_c', 'sheet_normal_c'], true);
        $limits = [
            ['the machine may not go above it', $heats && $name !== 'sheet_normal_c' ? $in->machine->max_c : null],
            ["{$polymer->code} breaks down above it", $heats ? $polymer->ceiling() : null],
            [
                'the machine gives no more',
                in_array($name, ['injection_pressure_bar', 'hold_pressure_bar'], true) ? $in->machine->max_bar : null,
            ],
            ['the mould stands no more', match (true) {
                $name === 'mould_c' => $in->mould->max_c,
                in_array(
                    $name,
                    ['injection_pressure_bar', 'pressure_bar', 'hold_pressure_bar'],
                    true,
                ) => $in->mould->max_bar,
                default => null
            }],
        ];
        foreach ($limits as [$reason, $limit]) {
            if ($limit === null) {
                continue;
            }
            if ($low > $limit) {
                $cautions[] = sprintf(
                    '%s: at least %s %s is wanted and only %s %s is allowed: %s.',
                    self::words($name),
                    self::figure($low),
                    $unit,
                    self::figure($limit),
                    $unit,
                    $reason,
                );
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

    /** @return list<string> */
    private function ofMachine(RecommendInput $in): array
    {
        $cautions = [];
        if (
            $in->process === Process::Injection
            && $in->machine->kind?->isPlunger() === true
            && $in->machine->max_bar === null
        ) {
            $cautions[] = 'What this machine can give is not known, and the usual pressures are those of screw machines: reckon it by force.lever_injection, and whether it fills by flow.fill.';
        }
        if ($in->process === Process::Compression && $in->machine->press === null) {
            $cautions[] = 'Heater power and platen mass of this press are not known: the times are those of an ideal one, at the very least. Log one run with a thermocouple in the middle.';
        }

        return $cautions;
    }

    /** @return list<string> */
    private function ofWater(RecommendInput $in, Polymer $polymer): array
    {
        if (! $polymer->mustBeDried()) {
            return [];
        }
        if ($in->process !== Process::VacuumForming) {
            return ["{$polymer->code} takes up water: dry it first."];
        }
        $plan = (new Plan($this->polymers))(new PlanInput($polymer->code, '2000-01-01T00:00:00', form: Form::Sheet));

        return [$plan->hours === null
            ? "{$polymer->code} sheet takes up water and cannot be dried without losing its shape: form it from the wrapping."
            : sprintf(
                '%s sheet takes up water: form it from the wrapping, or dry it %.1f h at %.0f °C and no hotter.',
                $polymer->code,
                $plan->hours,
                $plan->air_c,
            )];
    }

    /** @return list<string> */
    private function ofPart(RecommendInput $in, Polymer $polymer): array
    {
        $most = $polymer->process('vacuum_forming')->mayNumber('max_area_draw_ratio');
        $draw = $in->part->area_draw_ratio;

        return $in->process === Process::VacuumForming && $draw !== null && $most !== null && $draw > $most
            ? [sprintf(
                'A draw of %.1f is above the %.1f that %s usually takes: help it with a plug, or make it shallower.',
                $draw,
                $most,
                $polymer->code,
            )] : [];
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
