<?php

declare(strict_types=1);

namespace App\Support;

use Dithermic\Core\Calculator\InputError;
use DomainException;

/** Rows that came together and of which some are wrong: none is taken, and each that is wrong is named. */
final class RowsRefused extends DomainException
{
    /** so many rows are named; more say nothing more */
    private const NAMED = 100;

    /** @param  non-empty-list<InputError>  $faults  in the order of their rows */
    public function __construct(private readonly array $faults, int $rows)
    {
        $more = count($faults) > 1 ? sprintf(' (%d of %d rows are wrong; none was taken)', count($faults), $rows) : '';
        parent::__construct($faults[0]->getMessage().$more);
    }

    public function field(): string
    {
        return $this->faults[0]->field;
    }

    /** @return list<array{field: string, message: string}> */
    public function rows(): array
    {
        return array_map(
            static fn (InputError $e): array => ['field' => $e->field, 'message' => $e->getMessage()],
            array_slice($this->faults, 0, self::NAMED),
        );
    }
}
