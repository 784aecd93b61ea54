<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Shop\Models\Product;
use App\Shop\Support\TrimTemplate;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** What a part is cut along, to print at its true size. */
final class TemplateController extends Controller
{
    #[OA\Get(
        path: '/products/{product}/template.pdf',
        operationId: 'productTemplate',
        summary: 'What a part is cut along at true size, on sheets of A4 that are laid over one another',
        tags: ['shop'],
        responses: [
            new Answer(200, 'the template'), new Answer(404, 'nothing of it is cut, or it is too large for paper'),
        ],
    )]
    public function __invoke(Product $product, Processes $processes): Response
    {
        $this->authorize('view', $product);
        $outline = $processes->get($product->process)->outline(new Record($product->dimensions));
        abort_if($outline === null || count(TrimTemplate::tiles($outline)) > TrimTemplate::MOST_TILES, 404);

        return new Response(TrimTemplate::pdf($product->name, $outline), 200, ['Content-Type' => 'application/pdf']);
    }
}
