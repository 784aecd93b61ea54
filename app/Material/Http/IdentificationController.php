<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Controller;
use App\Http\ListOf;
use App\Material\Data\SortingTestData;
use App\Material\Http\Requests\KeepIdentificationRequest;
use App\Material\Models\Identification;
use App\Support\Sent;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Identification\Knowledge;
use Dithermic\Core\Identification\RankResult;
use Illuminate\Http\JsonResponse;
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
            content: new ListOf('SortingTestData'),
        )],
    )]
    public function tests(Knowledge $knowledge): JsonResponse
    {
        $this->authorize('viewAny', Identification::class);

        return $this->listed(array_map(
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
        responses: [new OA\Response(
            response: 201,
            description: 'kept',
            content: new OA\JsonContent(ref: '#/components/schemas/IdentifyRankResult'),
        )],
    )]
    public function store(KeepIdentificationRequest $request, Registry $calculations, Sent $sent): JsonResponse
    {
        $given = $request->validated();
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
