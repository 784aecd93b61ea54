<?php

declare(strict_types=1);

namespace App\Instruments\Actions;

use App\Instruments\Data\ReadingsTakenData;
use App\Instruments\Support\Channels;
use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Support\Conflict;
use App\Support\RowsRefused;
use App\Support\Seconds;
use App\Support\Sent;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Support\Facades\DB;

/** Readings of an instrument into the shop: all of a batch, or none. */
final readonly class TakeReadings
{
    private const REMEMBERED_DAYS = 7;

    /** nothing in a shop is more, in any unit */
    private const LARGEST = 1e12;

    /** two batches that wait for one another: one begins again */
    private const TRIES = 3;

    /** so many differences are named; more say nothing more */
    private const NAMED = 100;

    public function __construct(private Sent $sent, private Channels $channels)
    {
    }

    /**
     * @param  string|null  $id  of the batch; one that comes again within a week is answered as before
     * @param  list<mixed>  $given
     *
     * @throws RowsRefused naming each row that is wrong
     * @throws InputError where a channel is one too many
     */
    public function __invoke(User $by, ?string $id, array $given): ReadingsTakenData
    {
        $rows = $this->rows($given, $by);
        $answer = DB::transaction(
            fn (): array => $id === null ? $this->keep($rows) : $this->once(mb_strtolower($id), $rows),
            self::TRIES,
        );

        return new ReadingsTakenData(...$answer);
    }

    /**
     * @param  list<array{at: string, machine_id: int, channel: string, value: float}>  $rows
     * @return array<string, mixed>
     */
    private function once(string $id, array $rows): array
    {
        $hash = $this->sent->hash();
        DB::select('select pg_advisory_xact_lock(hashtextextended(?, 1))', [$id]);
        DB::table('reading_batches')->where('at', '<', now()->subDays(self::REMEMBERED_DAYS))->delete();
        $before = DB::table('reading_batches')->where('id', $id)->first();
        if ($before !== null) {
            return $before->hash === $hash
                ? (array) json_decode((string) $before->answer, true)
                : throw Conflict::of();
        }
        $answer = $this->keep($rows);
        DB::table('reading_batches')->insert([
            'id' => $id,
            'hash' => $hash,
            'answer' => json_encode($answer),
            'at' => now(),
        ]);

        return $answer;
    }

    /**
     * Checked by hand: five thousand rows through the validator would hold a worker for ten seconds.
     *
     * @param  list<mixed>  $given
     * @return list<array{at: string, machine_id: int, channel: string, value: float}>
     *
     * @throws RowsRefused naming each row that is wrong
     */
    private function rows(array $given, User $by): array
    {
        $machines = Machine::query()->pluck('id', 'name')->map(
            static fn (int $id): array => ['id' => $id, 'own' => $by->mayReport($id)],
        )->all();
        $now = Seconds::now();
        [$rows, $faults] = [[], []];
        foreach ($given as $i => $reading) {
            try {
                $rows[] = $this->row($i, is_array($reading) ? $reading : [], $machines, $now);
            } catch (InputError $fault) {
                $faults[] = $fault;
            }
        }
        if ($faults !== []) {
            throw new RowsRefused($faults, count($given));
        }

        return $rows;
    }

    /**
     * @param  array<mixed>  $reading
     * @param  array<string, array{id: int, own: bool}>  $machines  by name; whether the asker may speak for it
     * @return array{at: string, machine_id: int, channel: string, value: float}
     *
     * @throws InputError naming the row
     */
    private function row(int $i, array $reading, array $machines, float $now): array
    {
        $name = $reading['machine'] ?? null;
        $machine = is_string($name) ? $machines[$name] ?? null : null;
        if ($machine === null) {
            throw new InputError("readings.{$i}.machine", 'is no machine of this shop');
        }
        if (! $machine['own']) {
            throw new InputError(
                "readings.{$i}.machine",
                'is not the machine of this token: an instrument speaks for its own',
            );
        }
        $channel = $reading['channel'] ?? null;
        if (! is_string($channel) || preg_match('/^[a-z0-9_]{1,40}$/', $channel) !== 1) {
            throw new InputError("readings.{$i}.channel", 'is required: small letters, digits and _, at most 40');
        }
        $value = $reading['value'] ?? null;
        if (! is_numeric($value) || ! (abs((float) $value) <= self::LARGEST)) {
            throw new InputError("readings.{$i}.value", 'is out of range: a finite number is needed');
        }
        $at = $reading['at'] ?? $now;
        if (! is_numeric($at) || $at > $now + 60 || $at < $now - 90 * 86400) {
            throw new InputError(
                "readings.{$i}.at",
                'is out of range: not in the future and not older than 90 days',
            );
        }

        return [
            'at' => gmdate('Y-m-d H:i:s', (int) $at).sprintf('.%03d+00', (int) (1000 * fmod((float) $at, 1))),
            'machine_id' => $machine['id'],
            'channel' => $channel,
            'value' => (float) $value,
        ];
    }

    /**
     * Inside a transaction.
     *
     * @param  list<array{at: string, machine_id: int, channel: string, value: float}>  $rows
     * @return array{stored: int, known: int, differing: list<array{channel: string, at: string, kept: float, sent: float}>}
     *
     * @throws InputError naming the row
     */
    public function keep(array $rows): array
    {
        $this->channels->hear($rows);
        $stored = 0;
        $differing = [];
        foreach (array_chunk($rows, 1000) as $chunk) {
            $new = self::insert($chunk);
            $stored += $new;
            if ($new < count($chunk)) {
                array_push($differing, ...$this->differing($chunk));
            }
        }

        return [
            'stored' => $stored,
            'known' => count($rows) - $stored,
            'differing' => array_slice($differing, 0, self::NAMED),
        ];
    }

    /**
     * Rows as one value, which the database takes apart: four thousand of its own parameters take it ten times as long.
     *
     * @param  list<array{at: string, machine_id: int, channel: string, value: float}>  $rows
     * @return int how many were new
     */
    private static function insert(array $rows): int
    {
        return DB::affectingStatement(
            'insert into readings (at, machine_id, channel, value)
            select r.at::timestamptz(3), r.machine_id, r.channel, r.value
            from jsonb_to_recordset(?::jsonb) as r(at text, machine_id bigint, channel text, value double precision)
            on conflict do nothing',
            [json_encode($rows, JSON_THROW_ON_ERROR)],
        );
    }

    /**
     * @param  list<array{at: string, machine_id: int, channel: string, value: float}>  $rows
     * @return list<array{channel: string, at: string, kept: float, sent: float}>
     */
    private function differing(array $rows): array
    {
        /** @var list<object{channel: string, at: string, kept: float|string, sent: float|string}> $found */
        $found = DB::select(
            'select r.channel, s.at as at, r.value as kept, s.value as sent from jsonb_to_recordset(?::jsonb) as s(at text, machine_id bigint, channel text, value double precision)
            join readings r on r.machine_id = s.machine_id and r.channel = s.channel and r.at = s.at::timestamptz(3) where r.value <> s.value order by s.at',
            [json_encode($rows)],
        );

        return array_map(
            static fn (object $f): array => [
                'channel' => $f->channel,
                'at' => $f->at,
                'kept' => (float) $f->kept,
                'sent' => (float) $f->sent,
            ],
            $found,
        );
    }
}
