<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Actions\TrustSource;
use App\Material\Http\Requests\AddSourceRequest;
use App\Material\Http\Requests\TrustSourceRequest;
use App\Material\Models\Source;
use App\Material\Queries\PresentLot;
use App\Material\Queries\SourceCards;
use App\Material\Queries\SourceDetail;
use Dithermic\Core\Safety\SourceState;
use Dithermic\Core\Stock\Trust;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Where material comes from, and the trust each has earned. */
final class SourceController extends Controller
{
    public function __construct(private readonly PresentLot $present, private readonly SourceDetail $detail)
    {
    }

    #[OA\Get(
        path: '/sources',
        operationId: 'getSources',
        summary: 'Where material comes from, what each brought and what its trust asks for next',
        tags: ['sources'],
        responses: [new Answer(200, 'ok', list: 'SourceCardData')],
    )]
    public function index(SourceCards $cards): JsonResponse
    {
        $this->authorize('viewAny', Source::class);

        return $this->listed($cards->all());
    }

    #[OA\Post(
        path: '/sources',
        operationId: 'addSource',
        summary: 'A new source begins on trial',
        tags: ['sources'],
        responses: [new Answer(201, 'added', 'SourceData')],
    )]
    public function store(AddSourceRequest $request): JsonResponse
    {
        $given = $request->validated();
        $source = Source::query()->create([
            'name' => $given['name'],
            'state' => SourceState::OnTrial,
            'note' => $given['note'] ?? '',
        ]);

        return new JsonResponse($this->present->source($source), 201);
    }

    #[OA\Get(
        path: '/sources/{source}',
        operationId: 'getSource',
        summary: 'A source and what it has taught',
        tags: ['sources'],
        responses: [new Answer(200, 'ok', 'SourceDetailData')],
    )]
    public function show(Source $source): JsonResponse
    {
        $this->authorize('view', $source);

        return new JsonResponse($this->detail->of($source));
    }

    #[OA\Post(
        path: '/sources/{source}/events',
        operationId: 'trustSource',
        summary: 'A trial, an acceptance or a delivery check; the ladder is the core\'s',
        tags: ['sources'],
        responses: [new Answer(201, 'noted', 'SourceDetailData')],
    )]
    public function trust(TrustSourceRequest $request, Source $source, TrustSource $trust): JsonResponse
    {
        $kind = Trust::from($request->string('kind')->value());
        $this->authorize($kind->leadOnly() ? 'accept' : 'update', $source);
        $trust($request->actor(), $source, $kind, $request->safe());

        return new JsonResponse($this->detail->of($source->refresh()), 201);
    }
}
