<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\SortingTestData;
use App\Models\Identification;
use App\Support\Sent;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Identification\Knowledge;
use Dithermic\Core\Identification\RankResult;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/** The sorting tests, and what was decided by them. */
final class IdentificationController extends Controller
{
    #[OA\Get(
        path: '/sorting-tests',
        operationId: 'getSortingTests',
        summary: 'The safe tests by which a polymer is found',
        tags: ['sorting'],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(
                type: 'array',
                items: new OA\Items(ref: '#/components/schemas/SortingTestData'),
            ),
        )],
    )]
    public function tests(Knowledge $knowledge): JsonResponse
    {
        $this->authorize('viewAny', Identification::class);

        return new JsonResponse(array_map(
            static fn (array $t): SortingTestData => new SortingTestData(
                $t['id'],
                $t['name'],
                $t['how'],
                $t['results'],
                (float) $t['minutes'],
                $t['caution'],
                $t['only_for'] ?? null,
            ),
            array_values($knowledge->tests),
        ));
    }

    #[OA\Post(
        path: '/identifications',
        operationId: 'keepIdentification',
        summary: 'Keep what the tests say; the core decides anew from the evidence',
        tags: ['sorting'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['id', 'evidence'],
                properties: [
                    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
                    new OA\Property(
                        property: 'evidence',
                        type: 'array',
                        items: new OA\Items(type: 'object', additionalProperties: new OA\AdditionalProperties),
                    ),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'kept',
            content: new OA\JsonContent(ref: '#/components/schemas/IdentifyRankResult'),
        )],
    )]
    public function store(Request $request, Registry $calculations, Sent $sent): JsonResponse
    {
        $this->authorize('create', Identification::class);
        $given = $request->validate(['id' => ['required', 'uuid'], 'evidence' => ['required', 'array', 'max:30']]);
        $result = $calculations->run('identify.rank', ['evidence' => $given['evidence']]);
        assert($result instanceof RankResult);
        DB::transaction(function () use ($given, $result, $request, $sent): void {
            $sent->as($given['id']);
            Identification::query()->firstOrCreate(
                ['id' => $given['id']],
                [
                    'evidence' => $given['evidence'],
                    'decision' => $result->decision,
                    'probability' => $result->ranked[0]->probability,
                    'by_id' => $this->actor($request)->id,
                    'at' => CarbonImmutable::now(),
                ],
            );
        });

        return new JsonResponse($result, 201);
    }
}
