<?php

declare(strict_types=1);

namespace App\Bench\Http;

use App\Bench\Data\CatalogueEntryData;
use App\Bench\Data\TaskData;
use App\Bench\Models\Mesh;
use App\Bench\Models\Task;
use App\Bench\Support\DoTask;
use App\Bench\Support\Tasks;
use App\Http\Answer;
use App\Http\Controller;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;

/** The core's named door over HTTP; the paths of each calculation are added to the contract from the registry. */
final class CalcController extends Controller
{
    /** about a second's worth */
    private const FACETS_AT_ONCE = 120_000;

    public function __construct(private readonly Registry $calculations)
    {
    }

    #[OA\Get(
        path: '/calc',
        operationId: 'getCalculations',
        summary: 'Every calculation by name',
        tags: ['calc'],
        responses: [new Answer(200, 'ok', list: 'CatalogueEntryData')],
    )]
    public function index(): JsonResponse
    {
        $purposes = $this->calculations->list();

        return $this->listed(array_map(
            static fn (array $e): CatalogueEntryData => new CatalogueEntryData(
                $e['name'],
                $purposes[$e['name']],
                $e['group'],
                $e['title'],
                $e['words'],
                (object) $e['example'],
            ),
            $this->calculations->bench(),
        ));
    }

    public function show(string $name): JsonResponse
    {
        abort_unless($this->calculations->has($name), 404);

        return new JsonResponse($this->calculations->schema($name));
    }

    public function run(Request $request, string $name, Tasks $tasks): JsonResponse
    {
        abort_unless($this->calculations->has($name), 404);
        $input = json_decode($request->getContent(), true, 64);
        if (json_last_error() !== JSON_ERROR_NONE) {
            throw new InputError('', 'the body is not JSON: '.json_last_error_msg());
        }
        $answer = is_array($input) ? Cache::get(DoTask::key($name, $input)) : null;
        if ($answer === null && is_array($input) && $this->takesLong($name, $input)) {
            return new JsonResponse(
                TaskData::of($tasks->hand(Task::CALC, ['name' => $name, 'input' => $input], $this->actor($request))),
                202,
            );
        }
        $answer ??= $this->calculations->run($name, $input);

        return (new JsonResponse)->setEncodingOptions(JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION)
            ->setData($answer);
    }

    /**
     * Over two seconds: a mesh of many facets, and what the core itself calls long.
     *
     * @param  array<mixed>  $input
     */
    private function takesLong(string $name, array $input): bool
    {
        if ($name !== 'mesh.measure') {
            return $this->calculations->takesLong($name);
        }
        $file = $input['file'] ?? null;

        return is_string($file) && Str::isUuid($file) && (int) Mesh::query()->whereKey($file)
            ->value('facets') > self::FACETS_AT_ONCE;
    }
}
