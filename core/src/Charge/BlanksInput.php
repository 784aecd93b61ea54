<?php

declare(strict_types=1);

namespace Dithermic\Core\Charge;

use Dithermic\Core\Calculator\Checked;
use Dithermic\Core\Calculator\Field;
use Dithermic\Core\Calculator\InputError;

final readonly class BlanksInput implements Checked
{
    public function __construct(
        #[Field('', 'mm', above: 0, max: 20000)] public float $stock_length_mm,
        #[Field('', 'mm', above: 0, max: 20000)] public float $stock_width_mm,
        #[Field('', 'mm', above: 0, max: 20000)] public float $blank_length_mm,
        #[Field('', 'mm', above: 0, max: 20000)] public float $blank_width_mm,
        #[Field('width of the cut between neighbours', 'mm', min: 0, max: 100)] public float $kerf_mm = 0.0,
        #[Field('cut off all four edges of the stock', 'mm', min: 0, max: 5000)] public float $edge_trim_mm = 0.0,
        #[Field('blanks may not be turned')] public bool $grain_fixed = false,
    ) {
    }

    public function check(): void
    {
        if (2 * $this->edge_trim_mm >= min($this->stock_length_mm, $this->stock_width_mm)) {
            throw new InputError('edge_trim_mm', 'leaves nothing of the sheet');
        }
        if ($this->blank_length_mm * $this->blank_width_mm * 200000 < $this->stock_length_mm * $this->stock_width_mm) {
            throw new InputError('blank_length_mm', 'makes more than 200 000 blanks: check the units');
        }
        $longest = max($this->stock_length_mm, $this->stock_width_mm);
        foreach (['blank_length_mm' => $this->blank_length_mm, 'blank_width_mm' => $this->blank_width_mm] as $name => $side) {
            if ($side * 200000 < $longest) {
                throw new InputError($name, 'makes more than 200 000 cuts along the sheet: check the units');
            }
        }
    }
}
