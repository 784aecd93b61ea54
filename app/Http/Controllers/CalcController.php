<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\CatalogueEntryData;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use OpenApi\Attributes as OA;

/** The core's named door over HTTP; the paths of each calculation are added to the contract from the registry. */
final class CalcController extends Controller
{
    public function __construct(private readonly Registry $calculations)
    {
    }

    #[OA\Get(path: '/calc', operationId: 'getCalculations', summary: 'Every calculation by name', tags: ['calc'], responses: [new OA\Response(response: 200, description: 'ok', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/CatalogueEntryData')))])]
    public function index(): JsonResponse
    {
        $purposes = $this->calculations->list();

        return new JsonResponse(array_map(static fn (array $e): CatalogueEntryData => new CatalogueEntryData($e['name'], $purposes[$e['name']], $e['group'], $e['title'], $e['words'], (object) $e['example']), $this->calculations->bench()));
    }

    public function show(string $name): JsonResponse
    {
        abort_unless($this->calculations->has($name), 404);

        return new JsonResponse($this->calculations->schema($name));
    }

    public function run(Request $request, string $name): JsonResponse
    {
        abort_unless($this->calculations->has($name), 404);
        $input = json_decode($request->getContent(), true, 64);
        if (json_last_error() !== JSON_ERROR_NONE) {
            throw new InputError('', 'the body is not JSON: '.json_last_error_msg());
        }
        // A mesh of a million facets takes seconds and never changes: what was measured once is kept for a day.
        $answer = $name === 'mesh.measure' && is_array($input)
            ? Cache::remember('mesh.measure:'.hash('sha256', (string) json_encode($input)), 86400, fn (): array => (array) $this->calculations->run($name, $input))
            : $this->calculations->run($name, $input);

        return (new JsonResponse)->setEncodingOptions(JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION)->setData($answer);
    }
}
