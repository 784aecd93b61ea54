<?php

declare(strict_types=1);

namespace Dithermic\Core\Mesh;

/** The way the part leaves the mould, in the axes of the file. */
enum Pull: string
{
    case PlusX = '+x';
    case MinusX = '-x';
    case PlusY = '+y';
    case MinusY = '-y';
    case PlusZ = '+z';
    case MinusZ = '-z';

    /** @return int 0, 1 or 2 for x, y, z */
    public function axis(): int
    {
        return ord($this->value[1]) - ord('x');
    }

    public function sign(): int
    {
        return $this->value[0] === '+' ? 1 : -1;
    }
}
