<?php

declare(strict_types=1);

namespace App\Bench\Support;

use App\Bench\Models\Task;
use App\People\Models\User;
use App\Support\Conflict;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** What a request hands to the queue instead of holding a web worker for it. */
final class Tasks
{
    /** of one person at a time, waiting and under way */
    private const OPEN_AT_MOST = 3;

    private const KEPT_DAYS = 7;

    /**
     * The same id asked again is the same task; one that failed begins anew with what is asked now.
     *
     * @param  array<string, mixed>  $asked
     *
     * @throws Conflict when the id stands for something else
     */
    public function hand(string $kind, array $asked, User $by, ?string $id = null): Task
    {
        $hash = hash('sha256', (string) json_encode([$by->id, $kind, $asked]));

        return DB::transaction(function () use ($kind, $asked, $by, $id, $hash): Task {
            // Their other requests wait here: two at once do not both find room.
            User::query()->whereKey($by->id)->lockForUpdate()->first();
            $known = $id === null ? null : Task::query()->find(mb_strtolower($id));
            if ($known !== null && $known->state !== Task::FAILED) {
                return $known->hash === $hash ? $known : throw Conflict::of('id');
            }
            if ($known !== null && $known->by_id !== $by->id) {
                throw Conflict::of('id');
            }
            if (
                Task::query()->where('by_id', $by->id)
                    ->whereIn('state', [Task::WAITING, Task::RUNNING])
                    ->count() >= self::OPEN_AT_MOST
            ) {
                throw new TooManyRequestsHttpException(
                    5,
                    'too many at once: wait until one of your '.self::OPEN_AT_MOST.' tasks is done',
                );
            }
            Task::query()->where('ended_at', '<', CarbonImmutable::now()->subDays(self::KEPT_DAYS))->delete();
            $task = Task::query()->updateOrCreate(['id' => mb_strtolower($id ?? Str::uuid()->toString())], [
                'kind' => $kind,
                'hash' => $hash,
                'by_id' => $by->id,
                'asked' => $asked,
                'state' => Task::WAITING,
                'share' => 0.0,
                'answer' => null, 'fault' => null, 'at' => CarbonImmutable::now(), 'ended_at' => null,
            ]);
            DoTask::dispatch($task->id, $by->id)->afterCommit();

            return $task;
        });
    }
}
