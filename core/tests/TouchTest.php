<?php

declare(strict_types=1);

use Dithermic\Core\Safety\Touch;

it('calls hot what burns a hand that lies on it, and not what nobody has read', function (?float $c, bool $hot): void {
    expect(Touch::isHot($c))->toBe($hot);
})->with([[null, false], [20.0, false], [42.9, false], [43.0, true], [180.0, true]]);
