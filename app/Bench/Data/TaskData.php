<?php

declare(strict_types=1);

namespace App\Bench\Data;

use App\Bench\Models\Task;
use OpenApi\Attributes as OA;

/** Work that the queue does: how far it is, then its answer or what was wrong with it. */
#[OA\Schema]
final readonly class TaskData
{
    /**
     * @param  object|null  $answer
     * @param  object|null  $fault
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property(enum: ['calc', 'import'])] public string $kind,
        #[OA\Property(enum: ['waiting', 'running', 'done', 'failed'])] public string $state,
        #[OA\Property(description: 'how much of it is done, 0 to 1')] public float $share,
        #[OA\Property(
            description: 'what the same request answers when it is short',
            type: 'object',
            nullable: true,
        )]
        public ?object $answer,
        #[OA\Property(
            description: 'field and message, as in any refusal',
            type: 'object',
            nullable: true,
        )]
        public ?object $fault,
        #[OA\Property(description: 'seconds since 1970 UTC')] public float $at,
    ) {
    }

    public static function of(Task $task): self
    {
        return new self(
            $task->id, $task->kind, $task->state, $task->share, $task->answer === null ? null : (object) $task->answer,
            $task->fault === null ? null : (object) array_diff_key($task->fault, ['status' => 0]),
            (float) $task->at->format('U.v'),
        );
    }
}
