<?php

declare(strict_types=1);

namespace Dithermic\Core\Heat\Press;

use Dithermic\Core\Calculator\Calc;
use Dithermic\Core\Heat\Conduction\Stack;
use Dithermic\Core\Material\PolymerLibrary;

/**
 * Rules that shops time a sheet by, judged by the physics of heat.press_cycle. Practitioners differ; heat goes in with
 * the square of the thickness, so physics is our default and the linear rules show what they would leave in the middle.
 */
#[Calc(
    'heat.press_schools',
    'rules for timing a pressed sheet, and what each would leave in the middle',
    size: 'thickness_mm',
)]
final readonly class PressSchools
{
    /** a core this far below its target still counts as there, K */
    private const COLD_MARGIN_K = 1.0;

    /** longer than this many times the physics' heating counts as long */
    private const LONG = 1.5;

    public function __construct(private PolymerLibrary $polymers)
    {
    }

    public function __invoke(PressSchoolsInput $in): PressSchoolsResult
    {
        $model = new PressModel($in->cycle, $this->polymers);

        return $this->judged($in, $model, PressCourse::soaked($model, 60 * $in->cycle->soak_min));
    }

    /** @param  PressCourse  $course  the same sheet's, heated and soaked: nothing is reckoned twice */
    public function along(PressSchoolsInput $in, PressCourse $course): PressSchoolsResult
    {
        return $this->judged($in, new PressModel($in->cycle, $this->polymers), $course);
    }

    private function judged(PressSchoolsInput $in, PressModel $model, PressCourse $course): PressSchoolsResult
    {
        $rules = $in->rules();
        $ends = array_map(
            static fn (RuleInput $rule): float => $rule->id === RuleInput::PHYSICS
                ? $course->hot->time
                : 60 * (float) $rule->heat_min_per_mm * $in->cycle->thickness_mm,
            $rules,
        );
        $order = $ends;
        asort($order);
        // One heating serves every rule: each goes on from the latest that is known before its own minute.
        $stack = $model->coldStack();
        $verdicts = [];
        foreach ($order as $index => $end) {
            foreach ([$course->reached, $course->hot] as $known) {
                $stack = $stack->time < $known->time && $known->time <= $end ? clone $known : $stack;
            }
            $verdicts[$index] = $rules[$index]->id === RuleInput::PHYSICS
                ? $this->judge($rules[$index], $course->hot, $course->cool()[0], $course->cool()[1], $course, $model)
                : $this->timed($rules[$index], $stack, $end, $course, $model, $in->cycle);
        }
        ksort($verdicts);
        $verdicts = array_values($verdicts);
        $cold = array_filter($verdicts, static fn (RuleVerdict $v): bool => $v->verdict === 'core cold');

        return (new PressSchoolsResult($verdicts))->warn($in->cycle->material->overCeiling(
            $in->cycle->platen_c,
            'The platens',
            $this->polymers,
        ))->explain(sprintf(
            'Conduction asks for %.1f min until the middle reaches %.0f °C. %s', $course->heat / 60, $model->coreTarget,
            $cold === []
                ? 'None of these rules leaves it cold.'
                : 'Left cold by: '.implode(', ', array_map(static fn (RuleVerdict $v): string => $v->label, $cold)).'.',
        ));
    }

    /** By a rule of minutes: heated to its end, then cooled as long as it says. */
    private function timed(
        RuleInput $rule,
        Stack $stack,
        float $end,
        PressCourse $course,
        PressModel $model,
        PressCycleInput $in,
    ): RuleVerdict {
        $stack->run($end);
        $cool = $rule->cool_min_per_mm === null
            ? (float) $rule->cool_ratio * $end
            : 60 * $rule->cool_min_per_mm * $in->thickness_mm;
        $cold = clone $stack;
        $model->transfer($cold);
        $cold->run($cold->time + $cool);

        return $this->judge($rule, $stack, $cool, $cold->leftSurface(), $course, $model);
    }

    /**
     * @param  Stack  $hot  as it leaves the hot press
     * @param  float  $cool  s
     * @param  float  $after  the middle as the cold press is opened, °C
     */
    private function judge(
        RuleInput $rule,
        Stack $hot,
        float $cool,
        float $after,
        PressCourse $course,
        PressModel $model,
    ): RuleVerdict {
        $end = $hot->time;
        $core = $hot->leftSurface();
        $physics = $course->hot->time;
        $verdict = match (true) {
            $core < $model->coreTarget - self::COLD_MARGIN_K => 'core cold',
            $end > self::LONG * $physics => 'long',
            default => 'ok',
        };
        $note = match ($verdict) {
            'core cold' => sprintf('The middle gets to %.0f °C and needs %.0f °C.', $core, $model->coreTarget),
            'long' => sprintf(
                '%.0f min longer than the middle needs: energy, time and an older face.',
                ($end - $physics) / 60,
            ),
            default => sprintf('The middle gets to %.0f °C.', $core),
        };
        if ($after > $model->demould + 0.05) {
            $note .= sprintf(
                ' Taken out too warm: the middle is still at %.0f °C, over %.0f °C.',
                $after,
                $model->demould,
            );
        }

        return new RuleVerdict(
            $rule->id,
            $rule->label ?? $rule->id,
            $end / 60,
            $cool / 60,
            $core,
            $after,
            $verdict,
            $note,
        );
    }
}
