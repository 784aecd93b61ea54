<?php

declare(strict_types=1);

namespace Dithermic\Core\Quantity;

use Dithermic\Core\Calculator\Calc;

/** Reads a quantity as people type it; see Quantity::parse for what is understood and what is refused. */
#[Calc('quantity.parse', 'read a quantity as people type it: 3/4 in, 8,5 kg, 365 F')]
final class Parse
{
    public function __invoke(ParseInput $in): ParseResult
    {
        $quantity = Quantity::parse($in->text, $in->dimension, $in->unit);

        return (new ParseResult($quantity->value, $in->dimension->unit()))
            ->explain(sprintf(
                '%s is %s %s',
                trim($in->text),
                rtrim(rtrim(number_format($quantity->value, 4, '.', ''), '0'), '.'),
                $in->dimension->unit(),
            ));
    }
}
