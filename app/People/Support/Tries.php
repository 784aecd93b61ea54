<?php

declare(strict_types=1);

namespace App\People\Support;

use App\People\Models\User;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/**
 * Guessing gets slower with every wrong try: three are free, then the wait doubles from 2 s to 15 min. A try is counted
 * before it is looked at, in one statement, so that a hundred at once are not a hundred free ones.
 */
final class Tries
{
    /** after so many wrong PINs in a row only the password helps, or a lead */
    public const LOCKED_AFTER = 20;

    private const FREE = 3;

    private const LONGEST_S = 900;

    /** @throws ThrottleRequestsException while it is too early for another */
    public function begin(string $subject): void
    {
        $taken = DB::selectOne('insert into sign_in_tries as t (subject, failed, next_at, last_at) values (?, 1, now(), now())
            on conflict (subject) do update set failed = t.failed + 1, last_at = now(),
                next_at = now() + make_interval(secs => case when t.failed + 1 <= ? then 0 else least(?, power(2, least(t.failed + 1 - ?, 12))) end)
            where t.next_at <= now() returning failed', [$subject, self::FREE, self::LONGEST_S, self::FREE]);
        if ($taken !== null) {
            return;
        }
        $wait = (int) ceil(
            (float) DB::scalar(
                'select greatest(1, extract(epoch from next_at - now())) from sign_in_tries where subject = ?',
                [$subject],
            ),
        );
        throw new ThrottleRequestsException("too many tries: wait {$wait} s", headers: ['Retry-After' => $wait]);
    }

    public function failed(string $subject): int
    {
        return (int) DB::scalar('select failed from sign_in_tries where subject = ?', [$subject]);
    }

    public function clear(string ...$subjects): void
    {
        DB::table('sign_in_tries')->whereIn('subject', $subjects)->delete();
    }

    public function log(string $what, ?User $user, ?string $ip): void
    {
        Log::channel('security')->warning($what, ['person' => $user?->id, 'from' => $ip]);
    }

    /** Whoever looks for a person's PIN, on whatever screen and however the number is written, is one. */
    public static function pin(User $user): string
    {
        return "pin|{$user->id}";
    }

    /** A stranger's wrong passwords do not keep a person out of a screen that knows that person. */
    public static function password(string $login, string $from): string
    {
        return 'word|'.hash('sha256', mb_strtolower($login).'|'.$from);
    }
}
