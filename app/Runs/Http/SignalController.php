<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Actions\TakeSignal;
use App\Runs\Data\SignalTakenData;
use App\Runs\Http\Requests\PostSignalRequest;
use App\Shop\Models\Machine;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Run\Foot;
use Illuminate\Http\JsonResponse;
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
        responses: [new Answer(201, 'taken', 'SignalTakenData')],
    )]
    public function __invoke(PostSignalRequest $request, TakeSignal $take): JsonResponse
    {
        $given = $request->validated();
        $machine = Machine::query()->where('name', $given['machine'])->whereNull('retired_at')->first()
            ?? throw new InputError('machine', 'is no machine of this shop');
        $user = $request->actor();
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
