<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Machine;
use App\Models\Run;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** The door for instruments: temperatures, pressures and the like, as fast as they come. */
final class ReadingController extends Controller
{
    private const POINTS = 400;

    #[OA\Post(path: '/readings', operationId: 'postReadings', summary: 'Readings from an instrument; all are stored, or none', tags: ['readings'], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['readings'], properties: [new OA\Property(property: 'readings', type: 'array', items: new OA\Items(type: 'object', required: ['machine', 'channel', 'value'], properties: [new OA\Property(property: 'machine', type: 'string'), new OA\Property(property: 'channel', type: 'string'), new OA\Property(property: 'value', type: 'number'), new OA\Property(property: 'at', type: 'number', description: 'seconds since 1970 UTC; now unless given')]))])), responses: [new OA\Response(response: 201, description: 'stored')])]
    public function store(Request $request): JsonResponse
    {
        $this->authorize('addReadings', Machine::class);
        $given = $request->validate([
            'readings' => ['required', 'array', 'min:1', 'max:5000'], 'readings.*.machine' => ['required', 'string', 'max:80'],
            'readings.*.channel' => ['required', 'string', 'regex:/^[a-z0-9_]{1,40}$/'], 'readings.*.value' => ['required', 'numeric'], 'readings.*.at' => ['nullable', 'numeric'],
        ]);
        $machines = Machine::query()->pluck('id', 'name');
        $running = Run::query()->where('status', 'running')->pluck('id', 'machine_id');
        $now = microtime(true);
        $rows = [];
        foreach ($given['readings'] as $i => $reading) {
            $machine = $machines[$reading['machine']] ?? throw new InputError("readings.{$i}.machine", 'is no machine of this shop');
            $at = (float) ($reading['at'] ?? $now);
            if (! is_finite((float) $reading['value']) || $at > $now + 60 || $at < $now - 90 * 86400) {
                throw new InputError("readings.{$i}.".($at > $now + 60 || $at < $now - 90 * 86400 ? 'at' : 'value'), 'is out of range');
            }
            $rows[] = ['at' => gmdate('Y-m-d H:i:s', (int) $at).sprintf('.%03d+00', (int) (1000 * fmod($at, 1))), 'machine_id' => $machine, 'run_id' => $running[$machine] ?? null, 'channel' => $reading['channel'], 'value' => (float) $reading['value']];
        }
        DB::transaction(static function () use ($rows): void {
            foreach (array_chunk($rows, 1000) as $chunk) {
                DB::table('readings')->insert($chunk);
            }
        });

        return new JsonResponse(['stored' => count($rows)], 201);
    }

    /** A run's readings, thinned in SQL to at most POINTS for each channel. */
    #[OA\Get(path: '/runs/{run}/readings', operationId: 'getRunReadings', summary: 'A run\'s readings, thinned for a chart', tags: ['readings'], parameters: [new OA\Parameter(name: 'run', in: 'path', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 200, description: 'by channel: [seconds since 1970, value]', content: new OA\JsonContent(type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')))))])]
    public function index(Run $run): JsonResponse
    {
        $this->authorize('view', $run);
        $rows = DB::select('with numbered as (
                select channel, at, value, ntile(?) over (partition by channel order by at) as bucket from readings
                where run_id = ? and at >= ? and at <= coalesce(?, now()) + interval \'1 hour\')
            select channel, extract(epoch from avg(at - to_timestamp(0))) as t, avg(value) as v from numbered group by channel, bucket order by channel, bucket',
            [self::POINTS, $run->id, $run->started_at->subHour()->toIso8601String(), $run->ended_at?->toIso8601String()]);
        $channels = [];
        foreach ($rows as $row) {
            $channels[$row->channel][] = [(float) $row->t, round((float) $row->v, 2)];
        }

        return new JsonResponse((object) $channels);
    }
}
