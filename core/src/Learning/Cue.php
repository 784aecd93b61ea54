<?php

declare(strict_types=1);

namespace Dithermic\Core\Learning;

/** What is seen of a sheet under the heater. The first three are the same moment: it forms. */
enum Cue: string
{
    case Ready = 'ready';
    case FlatAgain = 'flat again';
    case SpringsBack = 'gives and springs back';
    /** too hot: it smokes, blisters or shines */
    case TooHot = 'too hot';
}
