<?php

declare(strict_types=1);

namespace App\Runs\Queries;

use App\Runs\Models\ProcedureEntry;

/**
 * The shop's own way of each procedure, a row for each thing that is otherwise, as `ImportProcedures` reads it again.
 */
final readonly class ProceduresAsRows
{
    public function __construct(private PresentProcedure $present)
    {
    }

    /** @return array{list<string>, list<list<string|float|int|null>>} */
    public function __invoke(): array
    {
        $rows = [];
        foreach (array_keys($this->present->shipped()) as $key) {
            foreach (ProcedureEntry::inForce((string) $key)->proposal->way ?? [] as $change) {
                array_push($rows, ...self::rows((string) $key, $change));
            }
        }

        return [['procedure', 'step', 'own', 'what', 'value'], $rows];
    }

    /**
     * @param  array<string, mixed>  $change
     * @return list<list<string|float|int|null>>
     */
    private static function rows(string $procedure, array $change): array
    {
        $step = $change['step'] ?? $change['after'];
        $own = isset($change['after']) ? $change['title'] : '';
        unset($change['step'], $change['after']);
        if ($own !== '') {
            unset($change['title']);
        }
        $rows = [];
        foreach ($change as $what => $value) {
            foreach (is_array($value) ? $value : [$value] as $one) {
                $rows[] = [$procedure, $step, $own, $what, is_bool($one) ? ($one ? 'yes' : 'no') : $one];
            }
        }

        return $rows;
    }
}
