<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Controller;
use App\People\Models\User;
use App\Runs\Data\ReadingsTakenData;
use App\Runs\Http\Requests\PostReadingsRequest;
use App\Runs\Models\Run;
use App\Shop\Models\Machine;
use App\Support\Conflict;
use App\Support\Present;
use App\Support\Sent;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** The door for instruments: temperatures, pressures and the like, as fast as they come. */
final class ReadingController extends Controller
{
    private const POINTS = 400;

    private const REMEMBERED_DAYS = 7;

    /** so many differences are named; more say nothing more */
    private const NAMED = 100;

    /**
     * A batch that carries an id is answered as before when it comes again within a week. A channel has one value at a
     * time: the first stays, and a second one that differs is named.
     */
    #[OA\Post(
        path: '/readings',
        operationId: 'postReadings',
        summary: 'Readings from an instrument; all are taken, or none',
        tags: ['readings'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['readings'],
                properties: [
                    new OA\Property(
                        property: 'id',
                        type: 'string',
                        format: 'uuid',
                        description: 'of the batch: send it again with the same id when the answer did not arrive',
                    ),
                    new OA\Property(
                        property: 'readings',
                        type: 'array',
                        items: new OA\Items(
                            type: 'object',
                            required: ['machine', 'channel', 'value'],
                            properties: [
                                new OA\Property(property: 'machine', type: 'string'),
                                new OA\Property(property: 'channel', type: 'string'),
                                new OA\Property(property: 'value', type: 'number'),
                                new OA\Property(
                                    property: 'at',
                                    type: 'number',
                                    description: 'seconds since 1970 UTC; now unless given',
                                ),
                            ],
                        ),
                    ),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 201,
                description: 'stored',
                content: new OA\JsonContent(ref: '#/components/schemas/ReadingsTakenData'),
            ),
            new OA\Response(response: 409, description: 'the id was used for another batch'),
        ],
    )]
    public function store(PostReadingsRequest $request, Sent $sent): JsonResponse
    {
        $given = $request->validated();
        $rows = $this->rows(array_values($given['readings']), $this->actor($request));
        $answer = DB::transaction(function () use ($given, $rows, $sent): array {
            $id = isset($given['id']) ? mb_strtolower((string) $given['id']) : null;
            if ($id === null) {
                return $this->keep($rows);
            }
            $hash = $sent->hash();
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
        });

        return new JsonResponse(new ReadingsTakenData(...$answer), 201);
    }

    /**
     * Checked by hand: five thousand rows through the validator would hold a worker for ten seconds.
     *
     * @param  list<mixed>  $given
     * @return list<array{at: string, machine_id: int, channel: string, value: float}>
     *
     * @throws InputError naming the row
     */
    private function rows(array $given, User $by): array
    {
        $machines = Machine::query()->pluck('id', 'name');
        $now = Present::now();
        $rows = [];
        foreach ($given as $i => $reading) {
            $reading = is_array($reading) ? $reading : [];
            $name = $reading['machine'] ?? null;
            $machine = is_string($name) ? $machines[$name] ?? null : null;
            if ($machine === null) {
                throw new InputError("readings.{$i}.machine", 'is no machine of this shop');
            }
            if (! $by->mayReport((int) $machine)) {
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
            if (! is_numeric($value) || ! is_finite((float) $value)) {
                throw new InputError("readings.{$i}.value", 'is out of range: a finite number is needed');
            }
            $at = $reading['at'] ?? $now;
            if (! is_numeric($at) || $at > $now + 60 || $at < $now - 90 * 86400) {
                throw new InputError(
                    "readings.{$i}.at",
                    'is out of range: not in the future and not older than 90 days',
                );
            }
            $rows[] = [
                'at' => gmdate('Y-m-d H:i:s', (int) $at).sprintf('.%03d+00', (int) (1000 * fmod((float) $at, 1))),
                'machine_id' => (int) $machine,
                'channel' => $channel,
                'value' => (float) $value,
            ];
        }

        return $rows;
    }

    /**
     * @param  list<array{at: string, machine_id: int, channel: string, value: float}>  $rows
     * @return array{stored: int, known: int, differing: list<array{channel: string, at: string, kept: float, sent: float}>}
     */
    private function keep(array $rows): array
    {
        $stored = 0;
        $differing = [];
        foreach (array_chunk($rows, 1000) as $chunk) {
            $new = DB::table('readings')->insertOrIgnore($chunk);
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

    /**
     * A run's readings: what its machines read while it held them, thinned in SQL to at most POINTS for each channel.
     */
    #[OA\Get(
        path: '/runs/{run}/readings',
        operationId: 'getRunReadings',
        summary: 'A run\'s readings, thinned for a chart',
        tags: ['readings'],
        parameters: [new OA\Parameter(name: 'run', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(
            response: 200,
            description: 'by channel: [seconds since 1970, value]',
            content: new OA\JsonContent(
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(
                    type: 'array',
                    items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')),
                ),
            ),
        )],
    )]
    public function index(Run $run): JsonResponse
    {
        $this->authorize('view', $run);
        // By station and moment, not by what the instrument thought: a late batch finds its run too.
        $rows = DB::select("with numbered as (
                select case when s.position = 0 then r.channel else s.role || '_' || r.channel end as channel, r.at, r.value,
                    ntile(?) over (partition by s.id, r.channel order by r.at) as bucket
                from run_stations s join readings r on r.machine_id = s.machine_id and r.at >= s.from_at and r.at <= coalesce(s.to_at, 'infinity')
                where s.run_id = ?)
            select channel, extract(epoch from avg(at - to_timestamp(0))) as t, avg(value) as v from numbered group by channel, bucket order by channel, bucket",
            [self::POINTS, $run->id]);
        $channels = [];
        foreach ($rows as $row) {
            $channels[$row->channel][] = [(float) $row->t, round((float) $row->v, 2)];
        }

        return new JsonResponse((object) $channels);
    }
}
