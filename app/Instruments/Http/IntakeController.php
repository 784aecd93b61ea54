<?php

declare(strict_types=1);

namespace App\Instruments\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Instruments\Actions\TakeReadings;
use App\Instruments\Http\Requests\PostReadingsRequest;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** The door for instruments: temperatures, pressures and the like, as fast as they come. */
final class IntakeController extends Controller
{
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
        responses: [new Answer(201, 'stored', 'ReadingsTakenData'),
            new Answer(409, 'the id was used for another batch')],
    )]
    public function store(PostReadingsRequest $request, TakeReadings $take): JsonResponse
    {
        return new JsonResponse($take($request->actor(), $request->input('id'), $request->input('readings')), 201);
    }
}
