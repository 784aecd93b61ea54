<?php

declare(strict_types=1);

namespace App\People\Support;

use App\People\Models\Sitting;
use App\People\Models\User;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;

/** Who belongs to the shop, and what ends when somebody no longer does. */
final readonly class People
{
    private const SHORTEST = 10;

    public function __construct(private Tries $tries)
    {
    }

    /**
     * Long rather than odd, as NIST SP 800-63B has it: no rules of letters and signs, but none of those that are tried
     * first.
     *
     * @return list<mixed>
     */
    public static function passwordRules(string ...$names): array
    {
        return ['required', 'string', 'min:'.self::SHORTEST, 'max:200', new NotGuessable(array_values($names))];
    }

    /** @return list<string> what a password of theirs may not be made of */
    public static function namesOf(mixed $person): array
    {
        return $person instanceof User ? [$person->name, $person->login] : [];
    }

    /** @throws InputError when the shop would be left without a lead */
    public function change(User $person, bool $active, Role $role): void
    {
        DB::transaction(function () use ($person, $active, $role): void {
            $leads = User::query()->where('active', true)->where('role', Role::Lead)->lockForUpdate()->pluck('id');
            if ((! $active || $role !== Role::Lead) && $leads->diff([$person->id])->isEmpty()) {
                throw new InputError(
                    $active ? 'role' : 'active',
                    'would leave the shop without a lead: make somebody else a lead first',
                );
            }
            $person->update(['active' => $active, 'role' => $role]);
            if (! $active) {
                $person->tokens()->delete();
                $this->signOut($person);
            }
        });
    }

    public function setPassword(User $person, string $password, ?string $keepSession = null): void
    {
        DB::transaction(function () use ($person, $password, $keepSession): void {
            $person->update(['password' => $password]);
            $this->endSessions($person, $keepSession);
        });
    }

    /** The password is new; what the old one and the PIN had opened is shut. */
    public function reset(User $person, string $password): void
    {
        DB::transaction(function () use ($person, $password): void {
            $person->update(['password' => $password, 'pin' => null]);
            $this->signOut($person);
            $this->tries->clear(Tries::pin($person));
        });
    }

    private function signOut(User $person): void
    {
        $person->devices()->detach();
        Sitting::query()->where('user_id', $person->id)
            ->whereNull('ended_at')
            ->update(['ended_at' => app(ShopClock::class)->moment()]);
        $this->endSessions($person);
    }

    private function endSessions(User $person, ?string $but = null): void
    {
        DB::table('sessions')->where('user_id', $person->id)->when(
            $but,
            static fn ($q, string $id) => $q->where('id', '<>', $id),
        )->delete();
    }
}
