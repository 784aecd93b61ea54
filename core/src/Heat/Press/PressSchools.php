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
        $rules = $in->rules();
        $stack = $model->coldStack();

        // One heating serves every rule: each takes its own copy at its own minute.
        $probe = clone $stack;
        $heat = $model->heatToTarget($probe);
        $ends = [];
        foreach ($rules as $index => $rule) {
            $ends[$index] = $rule->id === RuleInput::PHYSICS
                ? $heat + 60 * $in->cycle->soak_min
                : 60 * (float) $rule->heat_min_per_mm * $in->cycle->thickness_mm;
        }
        $order = $ends;
        asort($order);
        $verdicts = [];
        foreach ($order as $index => $end) {
            if ($probe->time <= $end) {
                $stack = $probe;
            }
            $stack->run($end);
            $verdicts[$index] = $this->judge($rules[$index], clone $stack, $model, $end, $heat, $in->cycle);
        }
        ksort($verdicts);
        $verdicts = array_values($verdicts);
        $cold = array_filter($verdicts, static fn (RuleVerdict $v): bool => $v->verdict === 'core cold');

        return (new PressSchoolsResult($verdicts))->warn($in->cycle->material->overCeiling(
            $in->cycle->platen_c,
            'The platens',
            $this->polymers,
        ))->explain(sprintf(
            'Conduction asks for %.1f min until the middle reaches %.0f °C. %s', $heat / 60, $model->coreTarget,
            $cold === []
                ? 'None of these rules leaves it cold.'
                : 'Left cold by: '.implode(', ', array_map(static fn (RuleVerdict $v): string => $v->label, $cold)).'.',
        ));
    }

    private function judge(
        RuleInput $rule,
        Stack $stack,
        PressModel $model,
        float $end,
        float $heat,
        PressCycleInput $in,
    ): RuleVerdict {
        $core = $stack->leftSurface();
        $model->transfer($stack);
        if ($rule->id === RuleInput::PHYSICS) {
            [$cool, $after] = $model->coolToDemould($stack);
        } else {
            $cool = $rule->cool_min_per_mm === null
                ? (float) $rule->cool_ratio * $end
                : 60 * $rule->cool_min_per_mm * $in->thickness_mm;
            $stack->run($stack->time + $cool);
            $after = $stack->leftSurface();
        }
        $physics = $heat + 60 * $in->soak_min;
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
