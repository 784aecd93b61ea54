<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Models\Run;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Who may hear what changes. The web server asks this before it opens the stream, which `shop:news` writes. */
final class NewsController extends Controller
{
    #[OA\Get(
        path: '/news',
        operationId: 'listen',
        summary: 'What has changed, as it changes: server-sent events, each line a word and a number, as "run 8f…", "machine 3" or "stock". What is in it is asked for at its own door',
        tags: ['floor'],
        responses: [new Answer(204, 'this one may listen; with the web server in front the stream itself follows')],
    )]
    public function __invoke(): Response
    {
        $this->authorize('viewAny', Run::class);

        return new Response('', 204);
    }
}
