<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Actions\SayOfPassport;
use App\Runs\Http\Requests\SayOfPassportRequest;
use App\Runs\Models\PassportLine;
use App\Runs\Models\Run;
use App\Runs\Queries\Passports;
use App\Support\Label;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Vite;
use OpenApi\Attributes as OA;

/** The passport of a run's parts: off until a lead ticks what may be seen. */
final class PassportController extends Controller
{
    public function __construct(private readonly Passports $passports)
    {
    }

    #[OA\Get(
        path: '/runs/{run}/passport',
        operationId: 'getPassport',
        summary: 'What is shown of the parts of a run to whoever has their code',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', 'PassportData')],
    )]
    public function show(Run $run): JsonResponse
    {
        $this->authorize('viewAny', PassportLine::class);

        return new JsonResponse($this->passports->ofRun($run));
    }

    #[OA\Post(
        path: '/runs/{run}/passport',
        operationId: 'sayOfPassport',
        summary: 'Say what is shown of the parts of a run, once per id; nothing takes it back',
        tags: ['runs'],
        responses: [new Answer(201, 'as it stands', 'PassportData')],
    )]
    public function store(SayOfPassportRequest $request, Run $run, SayOfPassport $say): JsonResponse
    {
        $before = $request->validated()['before'];
        $say(
            $request->string('id')->lower()->value(),
            $request->actor(),
            $run,
            $before === null ? null : (int) $before,
            $request->shows(),
            $request->waste(),
        );

        return new JsonResponse($this->passports->ofRun($run), 201);
    }

    #[OA\Get(
        path: '/runs/{run}/passport.pdf',
        operationId: 'passportLabel',
        summary: 'A label with the code of the parts of a run, to go out with them',
        tags: ['runs'],
        responses: [new Answer(200, 'the label')],
    )]
    public function label(Run $run, Label $label): Response
    {
        $this->authorize('viewAny', PassportLine::class);
        $code = PassportLine::of($run)?->code;
        abort_if($code === null, 404);

        return new Response(
            $label->pdf($label->ofPassport(Passports::address($code), $this->passports->mark($run))),
            200,
            ['Content-Type' => 'application/pdf'],
        );
    }

    /** For whoever has the code: no sign-in, nothing to follow, and nothing that was not ticked. */
    public function page(string $code): Response
    {
        $lines = $this->passports->shown($code);

        return new Response(
            view('passport', ['lines' => $lines, 'nonce' => Vite::cspNonce()])->render(),
            $lines === null ? 404 : 200,
            ['Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex, nofollow', 'Referrer-Policy' => 'no-referrer'],
        );
    }
}
