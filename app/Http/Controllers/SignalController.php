<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\TakeSignal;
use App\Data\SignalTakenData;
use App\Models\Machine;
use App\Models\User;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Run\Foot;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Laravel\Sanctum\PersonalAccessToken;
use OpenApi\Attributes as OA;

/** The door for foot switches: a small device that knows its machine and nothing else. */
final class SignalController extends Controller
{
    #[OA\Post(
        path: '/signals',
        operationId: 'postSignal',
        summary: 'A press of the foot switch at a machine: what is in front there is done; a long one: not good',
        tags: ['readings'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['id', 'machine', 'signal'],
                properties: [
                    new OA\Property(
                        property: 'id',
                        type: 'string',
                        format: 'uuid',
                        description: 'of this press: send it again with the same id when the answer did not arrive',
                    ),
                    new OA\Property(property: 'machine', type: 'string'),
                    new OA\Property(property: 'signal', type: 'string', enum: [Foot::PRESS, Foot::LONG]),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'taken',
            content: new OA\JsonContent(ref: '#/components/schemas/SignalTakenData'),
        )],
    )]
    public function __invoke(Request $request, TakeSignal $take): JsonResponse
    {
        $this->authorize('addReadings', Machine::class);
        $given = $request->validate([
            'id' => ['required', 'uuid'],
            'machine' => ['required', 'string', 'max:60'],
            'signal' => ['required', 'in:'.Foot::PRESS.','.Foot::LONG],
        ]);
        $machine = Machine::query()->where('name', $given['machine'])->whereNull('retired_at')->first()
            ?? throw new InputError('machine', 'is no machine of this shop');
        /** @var User $user */
        $user = $request->user();
        if (! $user->mayReport($machine->id)) {
            throw new InputError('machine', 'is not the machine of this token: a switch speaks for its own');
        }
        $by = $user->currentAccessToken() instanceof PersonalAccessToken ? null : $user;
        $taken = $take($machine, mb_strtolower($given['id']), $given['signal'], $by);

        return new JsonResponse(
            new SignalTakenData($taken['run']->id, $taken['run']->number, $taken['stored']),
            201,
        );
    }
}
