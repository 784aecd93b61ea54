<?php

declare(strict_types=1);

namespace App\Instruments\Actions;

use App\Instruments\Models\Pairing;
use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Support\ShopClock;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Lets an instrument in: it asks by the code that stands on it, somebody at the machine scans that code, and with its
 * next question it is given a token that speaks for that machine. The token is made when it is fetched, so that the
 * shop keeps none that could be read.
 */
final readonly class PairInstrument
{
    /** more that ask at once are a flood */
    private const MOST_ASK = 200;

    private const SCOPES = ['readings', 'signals'];

    public function __construct(private ShopClock $clock)
    {
    }

    /** @return Builder<Pairing> those that still ask */
    public function asking(): Builder
    {
        return Pairing::query()->where('asked_at', '>=', $this->clock->moment()->subSeconds(Pairing::KEPT_S));
    }

    /**
     * An instrument asks.
     *
     * @param  string  $secret  of its own, the same each time it asks
     * @param  list<string>  $channels  that it will send, as it names them
     * @return array{machine: string, token: string}|null null while nobody has scanned its code
     *
     * @throws InputError where another instrument asks by the same code, or too many ask
     */
    public function ask(string $code, string $secret, string $name, array $channels, string $address): ?array
    {
        return DB::transaction(function () use ($code, $secret, $name, $channels, $address): ?array {
            $now = $this->clock->moment();
            // One question at a time: an instrument and its impatient second question take turns.
            DB::select('select pg_advisory_xact_lock(hashtext(?))', ["pairing {$code}"]);
            Pairing::query()->where('asked_at', '<', $now->subSeconds(Pairing::KEPT_S))->delete();
            $asks = Pairing::query()->with(['token', 'machine', 'by'])->where('code', $code)->first();
            $hash = hash('sha256', $secret);
            if ($asks !== null && ! hash_equals($asks->secret_hash, $hash)) {
                throw new InputError('code', 'is asked by another instrument too: switch one off, and wait 15 minutes');
            }
            if ($asks === null && Pairing::query()->count() >= self::MOST_ASK) {
                throw new InputError('code', 'cannot be taken: too many instruments ask. Try again in 15 minutes');
            }
            $asks ??= new Pairing(['code' => $code, 'secret_hash' => $hash]);
            $asks->fill(['name' => $name, 'channels' => $channels, 'address' => $address, 'asked_at' => $now]);
            $given = $this->give($asks);
            $asks->save();

            return $given;
        });
    }

    /**
     * Somebody has scanned its code at a machine.
     *
     * @throws InputError where it hangs at another machine already
     */
    public function pair(Pairing $asks, Machine $machine, User $by): Pairing
    {
        return DB::transaction(function () use ($asks, $machine, $by): Pairing {
            $locked = Pairing::query()->lockForUpdate()->findOrFail($asks->id);
            if ($locked->machine_id !== null && $locked->machine_id !== $machine->id) {
                throw new InputError(
                    'machine_id',
                    "is another than {$locked->machine?->name}, where this instrument has just been paired: "
                        .'end its token first, then switch it off and on',
                );
            }
            $locked->fill(['machine_id' => $machine->id, 'by_id' => $by->id, 'paired_at' => $this->clock->moment()]);
            $locked->save();

            return $locked->setRelation('machine', $machine);
        });
    }

    /** @return array{machine: string, token: string}|null */
    private function give(Pairing $asks): ?array
    {
        // One that works and is asked for anew has forgotten its token: it has to be scanned again.
        if ($asks->token?->last_used_at !== null) {
            $asks->fill(['machine_id' => null, 'by_id' => null, 'paired_at' => null, 'token_id' => null]);

            return null;
        }
        if ($asks->machine === null || $asks->by === null) {
            return null;
        }
        // The answer that had it did not arrive.
        $asks->token?->delete();
        $made = $asks->by->instrumentToken("{$asks->name} at {$asks->machine->name}", self::SCOPES, $asks->machine->id);
        $asks->token_id = (int) $made->accessToken->getKey();

        return ['machine' => $asks->machine->name, 'token' => $made->plainTextToken];
    }
}
