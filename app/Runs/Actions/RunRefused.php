<?php

declare(strict_types=1);

namespace App\Runs\Actions;

use Dithermic\Core\Safety\Block;
use Exception;
use Illuminate\Http\JsonResponse;

/** The safety gate stays shut: the blocks that stand, and who may override which. */
final class RunRefused extends Exception
{
    /** @param  non-empty-list<Block>  $blocks */
    public function __construct(public readonly array $blocks)
    {
        parent::__construct($blocks[0]->because);
    }

    public function report(): bool
    {
        return true; // expected: nothing for the error log
    }

    public function render(): JsonResponse
    {
        return new JsonResponse(
            ['error' => ['field' => 'safety', 'message' => $this->getMessage(), 'blocks' => $this->blocks]],
            422,
        );
    }
}
