<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Actions\KeepIdentification;
use App\Material\Data\SortingTestData;
use App\Material\Http\Requests\KeepIdentificationRequest;
use App\Material\Models\Identification;
use Dithermic\Core\Identification\Knowledge;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** The sorting tests, and what was decided by them. */
final class IdentificationController extends Controller
{
    #[OA\Get(
        path: '/sorting-tests',
        operationId: 'getSortingTests',
        summary: 'The safe tests by which a polymer is found',
        tags: ['sorting'],
        responses: [new Answer(200, 'ok', list: 'SortingTestData')],
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
        responses: [new Answer(201, 'kept', 'IdentifyRankResult')],
    )]
    public function store(KeepIdentificationRequest $request, KeepIdentification $keep): JsonResponse
    {
        $result = $keep($request->string('id')->value(), $request->actor(), $request->input('evidence'));

        return new JsonResponse($result, 201);
    }
}
