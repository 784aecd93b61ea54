<?php

declare(strict_types=1);

namespace App\Instruments\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Instruments\Actions\PairInstrument;
use App\Instruments\Data\LetInData;
use App\Instruments\Data\PairingData;
use App\Instruments\Http\Requests\AskToPairRequest;
use App\Instruments\Http\Requests\FindPairingRequest;
use App\Instruments\Http\Requests\PairRequest;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Instruments that ask to be let in, and the people who scan their codes. */
final class PairingController extends Controller
{
    /** an instrument that waits asks again after so long, s */
    private const AGAIN_S = 5;

    #[OA\Post(
        path: '/pairings',
        operationId: 'askToPair',
        summary: 'An instrument asks to be let in, by the code that stands on it, until somebody has scanned that',
        tags: ['readings'],
        security: [],
        responses: [
            new Answer(200, 'paired: here is its token', 'LetInData'),
            new Answer(202, 'nobody has scanned its code yet: ask again', 'LetInData'),
        ],
    )]
    public function ask(AskToPairRequest $request, PairInstrument $pair): JsonResponse
    {
        $given = $pair->ask(
            $request->string('code')->value(),
            $request->string('secret')->value(),
            $request->string('name')->value(),
            $request->validated('channels', []),
            (string) $request->ip(),
        );
        $told = new LetInData(
            $given === null ? 'waiting' : 'paired',
            self::AGAIN_S,
            $given['machine'] ?? null,
            $given['token'] ?? null,
        );

        return new JsonResponse($told, $given === null ? 202 : 200);
    }

    #[OA\Get(
        path: '/pairings',
        operationId: 'getPairings',
        summary: 'The instrument that asks by a code; none while it does not ask',
        tags: ['readings'],
        responses: [new Answer(200, 'ok', list: 'PairingData')],
    )]
    public function index(FindPairingRequest $request, PairInstrument $pair): JsonResponse
    {
        $asking = $pair->asking()->with('machine')->where('code', $request->string('code')->value());

        return $this->listed($asking->get()->map(PairingData::of(...)));
    }

    #[OA\Post(
        path: '/pairings/{code}',
        operationId: 'pair',
        summary: 'Say at which machine the instrument with this code hangs: it is let in for that',
        tags: ['readings'],
        responses: [new Answer(200, 'paired', 'PairingData'), new Answer(404, 'none asks by it')],
    )]
    public function pair(PairRequest $request, string $code, PairInstrument $pair): JsonResponse
    {
        $asks = $pair->asking()->where('code', $code)->firstOrFail();

        return new JsonResponse(PairingData::of($pair->pair($asks, $request->machine(), $request->actor())));
    }
}
