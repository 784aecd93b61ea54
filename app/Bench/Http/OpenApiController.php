<?php

declare(strict_types=1);

namespace App\Bench\Http;

use App\Http\Controller;
use App\Support\Contract;
use Illuminate\Http\Response;

final class OpenApiController extends Controller
{
    public function __invoke(Contract $contract): Response
    {
        return new Response(
            $contract->json(),
            200,
            ['Content-Type' => 'application/json', 'Cache-Control' => 'private, max-age=300'],
        );
    }
}
