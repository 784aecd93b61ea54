<?php

declare(strict_types=1);

namespace App\Instruments\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Instruments\Actions\SayOfChannel;
use App\Instruments\Http\Requests\CalibrateRequest;
use App\Instruments\Http\Requests\SetLimitsRequest;
use App\Instruments\Models\Channel;
use App\Instruments\Queries\ChannelsOf;
use App\Shop\Models\Machine;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What instruments read of a machine. */
final class ChannelController extends Controller
{
    public function __construct(private readonly ChannelsOf $channels)
    {
    }

    #[OA\Get(
        path: '/machines/{machine}/channels',
        operationId: 'getChannels',
        summary: 'What instruments read of a machine, between what that should stay, and who said so',
        tags: ['readings'],
        responses: [new Answer(200, 'ok', list: 'ChannelData')],
    )]
    public function index(Machine $machine): JsonResponse
    {
        $this->authorize('viewAny', Machine::class);

        return $this->listed($this->channels->of($machine));
    }

    #[OA\Post(
        path: '/channels/{channel}/limits',
        operationId: 'setLimits',
        summary: 'Say between what a channel should stay, and how long it may be silent',
        tags: ['readings'],
        responses: [new Answer(200, 'kept', list: 'ChannelData')],
    )]
    public function limits(SetLimitsRequest $request, Channel $channel, SayOfChannel $say): JsonResponse
    {
        $given = $request->validated();
        $say->limits($channel, (int) $given['after'], $request->limits(), $given['note'] ?? '', $request->actor());

        return $this->listed($this->channels->of($channel->machine));
    }

    #[OA\Post(
        path: '/channels/{channel}/calibrations',
        operationId: 'calibrate',
        summary: 'Say what a channel should have read: from now on the difference is added',
        tags: ['readings'],
        responses: [new Answer(201, 'kept', list: 'ChannelData')],
    )]
    public function calibrate(CalibrateRequest $request, Channel $channel, SayOfChannel $say): JsonResponse
    {
        $given = $request->validated();
        $say->calibrate(
            $channel,
            (int) $given['after'],
            (float) $given['true'],
            isset($given['shown']) ? (float) $given['shown'] : null,
            $given['note'] ?? '',
            $request->actor(),
        );

        return $this->listed($this->channels->of($channel->machine), status: 201);
    }
}
