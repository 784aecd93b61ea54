<?php

declare(strict_types=1);

namespace App\Bench\Support;

use App\Bench\Models\Task;
use App\Causes\Queries\MachineTaught;
use App\Material\Actions\ImportRows;
use App\Shop\Models\Machine;
use App\Support\Conflict;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Queue\Middleware\WithoutOverlapping;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Does one task, tells how far it is, and leaves its answer or what was wrong with it. Nobody holds two workers at
 * once.
 */
final class DoTask implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $timeout = 120;

    /** It waits its turn as often as need be; it fails once. */
    public int $tries = 0;

    public int $maxExceptions = 2;

    public bool $failOnTimeout = true;

    public function __construct(public readonly string $task, private readonly int $by)
    {
    }

    /** @return list<object> */
    public function middleware(): array
    {
        return [(new WithoutOverlapping("task-of:{$this->by}"))->releaseAfter(1)->expireAfter($this->timeout + 30)];
    }

    public function handle(
        Registry $calculations,
        MeshStore $meshes,
        ImportRows $import,
        MachineTaught $taught,
    ): void {
        $task = Task::query()->with('by')->find($this->task);
        if ($task === null || ! $task->isOpen()) {
            return;
        }
        $task->update(['state' => Task::RUNNING]);
        // On a connection of its own: what is told while a transaction runs is seen at once.
        $told = 0.0;
        $tell = static function (float $share) use ($task, &$told): void {
            if (microtime(true) - $told > 0.5) {
                $told = microtime(true);
                DB::connection('pgsql_soft')->table('tasks')
                    ->where('id', $task->id)
                    ->update(['share' => min(0.99, max(0.0, $share))]);
            }
        };
        $asked = (array) $task->asked;
        try {
            $answer = match ($task->kind) {
                Task::CALC => $this->calculate($calculations, $meshes, $asked, $tell),
                Task::LEARN => (array) json_decode(
                    (string) json_encode($taught->of(Machine::query()->whereKey($asked['machine_id'])->firstOrFail())),
                    true,
                ),
                default => $import($asked['id'], $task->by, $asked['kind'], $asked['text'], $asked['dry'], $tell),
            };
            $task->update([
                'state' => Task::DONE,
                'share' => 1.0,
                'answer' => $answer,
                'asked' => null,
                'ended_at' => CarbonImmutable::now(),
            ]);
        } catch (InputError $error) {
            $this->end($task, ['field' => $error->field, 'message' => $error->getMessage(), 'status' => 422]);
        } catch (Conflict $error) {
            $this->end($task, ['field' => $error->field, 'message' => $error->getMessage(), 'status' => 409]);
        }
    }

    public function failed(?Throwable $error): void
    {
        $task = Task::query()->find($this->task);
        if ($task !== null && $task->isOpen()) {
            $this->end(
                $task,
                [
                    'field' => '',
                    'message' => 'could not be done: ask for less at once, or again later',
                    'status' => 503,
                ],
            );
        }
    }

    /**
     * @param  array<string, mixed>  $asked
     * @param  callable(float): void  $tell
     * @return array<string, mixed>
     */
    private function calculate(Registry $calculations, MeshStore $meshes, array $asked, callable $tell): array
    {
        $meshes->tell = $tell(...);
        $answer = $calculations->run($asked['name'], $asked['input']);
        $kept = json_decode((string) json_encode($answer, JSON_PRESERVE_ZERO_FRACTION), true);
        assert(is_array($kept));
        Cache::put(self::key($asked['name'], $asked['input']), $kept, 86400);

        return $kept;
    }

    /** Where the answer to a long calculation is kept for a day. */
    public static function key(string $name, mixed $input): string
    {
        return "{$name}:".hash('sha256', (string) json_encode($input));
    }

    /** @param  array{field: string, message: string, status: int}  $fault */
    private function end(Task $task, array $fault): void
    {
        $task->update([
            'state' => Task::FAILED,
            'fault' => $fault,
            'asked' => null,
            'ended_at' => CarbonImmutable::now(),
        ]);
    }
}
