<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Actions\BeginCharge;
use App\Material\Actions\WeighCharge;
use App\Material\Data\ChargeData;
use App\Material\Http\Requests\BeginChargeRequest;
use App\Material\Http\Requests\FinishChargeRequest;
use App\Material\Http\Requests\RescaleChargeRequest;
use App\Material\Http\Requests\ReturnChargeRequest;
use App\Material\Http\Requests\WeighInRequest;
use App\Material\Models\Charge;
use App\Material\Queries\PresentCharge;
use App\Support\Label;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Charges at the weigh bench. */
final class ChargeController extends Controller
{
    public function __construct(private readonly PresentCharge $present, private readonly WeighCharge $weigh)
    {
    }

    #[OA\Get(
        path: '/charges',
        operationId: 'getCharges',
        summary: 'Charges being weighed or waiting, and the last ones used',
        tags: ['weigh'],
        responses: [new Answer(200, 'ok', list: 'ChargeData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Charge::class);

        return $this->listed(
            Charge::query()->with(PresentCharge::WHOLE)
                ->orderByRaw("status in ('weighing', 'waiting') desc, number desc")
                ->limit(40)
                ->get()
                ->map(fn (Charge $c): ChargeData => $this->present->charge($c)),
        );
    }

    #[OA\Post(
        path: '/charges',
        operationId: 'beginCharge',
        summary: 'Begin a charge for a product or of a mix; the core rounds it to the scale',
        tags: ['weigh'],
        responses: [new Answer(201, 'begun', 'ChargeData')],
    )]
    public function store(BeginChargeRequest $request, BeginCharge $begin): JsonResponse
    {
        $begin($request->actor(), $request->safe());

        return $this->answer($request->string('id')->value());
    }

    #[OA\Get(
        path: '/charges/{charge}',
        operationId: 'getCharge',
        summary: 'A charge as it stands',
        tags: ['weigh'],
        responses: [new Answer(200, 'ok', 'ChargeData')],
    )]
    public function show(Charge $charge): JsonResponse
    {
        $this->authorize('view', $charge);

        return $this->answer($charge->id, 200);
    }

    #[OA\Post(
        path: '/charges/{charge}/weighings',
        operationId: 'weighIn',
        summary: 'Put a weighing into a charge; negative takes out again',
        tags: ['weigh'],
        responses: [new Answer(201, 'in', 'ChargeData')],
    )]
    public function weighing(WeighInRequest $request, Charge $charge): JsonResponse
    {
        $given = $request->validated();
        $this->weigh->weigh(
            $given['id'],
            $this->actor($request),
            $charge,
            (int) $given['component'],
            (int) $given['lot_id'],
            (float) $given['mass_g'],
            $given['how'],
            (string) ($given['reason'] ?? ''),
        );

        return $this->answer($charge->id);
    }

    #[OA\Post(
        path: '/charges/{charge}/total',
        operationId: 'rescaleCharge',
        summary: 'Scale a charge up or down, every target in proportion',
        tags: ['weigh'],
        responses: [new Answer(201, 'scaled', 'ChargeData')],
    )]
    public function total(RescaleChargeRequest $request, Charge $charge): JsonResponse
    {
        $given = $request->validated();
        $this->weigh->rescale($given['id'], $this->actor($request), $charge, (float) $given['total_g']);

        return $this->answer($charge->id);
    }

    #[OA\Post(
        path: '/charges/{charge}/finish',
        operationId: 'finishCharge',
        summary: 'Weighed out: the charge waits for its run',
        tags: ['weigh'],
        responses: [new Answer(201, 'waits', 'ChargeData')],
    )]
    public function finish(FinishChargeRequest $request, Charge $charge): JsonResponse
    {
        $this->weigh->finish($request->validated()['id'], $this->actor($request), $charge);

        return $this->answer($charge->id);
    }

    #[OA\Post(
        path: '/charges/{charge}/return',
        operationId: 'returnCharge',
        summary: 'Give an unused charge back to its lots',
        tags: ['weigh'],
        responses: [new Answer(201, 'given back', 'ChargeData')],
    )]
    public function giveBack(ReturnChargeRequest $request, Charge $charge): JsonResponse
    {
        $given = $request->validated();
        $this->weigh->giveBack($given['id'], $this->actor($request), $charge, $given['reason']);

        return $this->answer($charge->id);
    }

    #[OA\Get(
        path: '/charges/{charge}/label.{format}',
        operationId: 'chargeLabel',
        summary: 'The charge\'s label as pdf or svg',
        tags: ['weigh'],
        responses: [new Answer(200, 'the label')],
    )]
    public function label(Charge $charge, string $format, Label $label): Response
    {
        $this->authorize('view', $charge);
        $data = $this->present->charge($charge->load(PresentCharge::WHOLE));
        $svg = $label->ofCharge(
            "weigh/{$charge->id}",
            $data->code,
            $data->polymer,
            array_map(static fn ($c): string => $c->swatch, $data->components),
            $data->about,
            $data->by,
            $data->weighed_g,
        );

        return $format === 'svg'
            ? new Response($svg, 200, ['Content-Type' => 'image/svg+xml'])
            : new Response($label->pdf($svg), 200, ['Content-Type' => 'application/pdf']);
    }

    private function answer(string $id, int $status = 201): JsonResponse
    {
        return new JsonResponse(
            $this->present->charge(Charge::query()->with(PresentCharge::WHOLE)->findOrFail($id)),
            $status,
        );
    }
}
