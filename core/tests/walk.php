<?php

declare(strict_types=1);

use Dithermic\Core\Run\Procedure;
use Dithermic\Core\Run\Step;

/**
 * What somebody enters to get through a step whose gates are all open to them: its confirmations, the entries that its
 * gates ask for with values that will do, and the step done. Timers are passed with a reason where the procedure lets
 * one.
 *
 * @param  array<string, mixed>  $plan
 * @return list<array{type: string, data: array<string, mixed>}>
 */
function throughStep(Procedure $procedure, Step $step, array $plan, ?int $piece = null, string $verdict = 'good'): array
{
    $of = static fn (array $data): array => $piece === null ? $data : $data + ['piece' => $piece];
    $entries = [];
    foreach (array_keys($step->confirm) as $item) {
        $entries[] = ['type' => 'confirmed', 'data' => $of(['step' => $step->id, 'item' => $item])];
    }
    foreach ($step->gates as $gate) {
        if ($gate->entry === null) {
            continue;
        }
        $values = [];
        foreach ($procedure->entry($gate->entry)->fields ?? [] as $field) {
            $wanted = match (true) {
                isset($gate->is[$field->id]) => $gate->is[$field->id],
                $field->id === 'verdict' => $verdict,
                $field->id === 'reason' => $verdict === 'scrap' ? 'a test of it' : null,
                in_array($field->id, $gate->fields, true) => (float) ($plan[$gate->atLeast ?? $gate->near] ?? 1) + 1,
                $field->required && $field->choices !== [] => $field->choices[0],
                $field->required => 100,
                default => null,
            };
            if ($wanted !== null) {
                $values[$field->id] = $wanted;
            }
        }
        $entries[] = ['type' => 'logged', 'data' => $of(['entry' => $gate->entry, 'values' => $values])];
    }
    $done = ['step' => $step->id] + ($step->timer === null ? [] : ['reason' => 'a test does not wait']);
    $entries[] = ['type' => 'step_done', 'data' => $of($done)];

    return $entries;
}
