<?php

declare(strict_types=1);

namespace App\Planning\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Planning\Models\ShopOrder;
use App\Planning\Queries\PlanAsCalendar;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** The plan for a calendar elsewhere, which can send no header: its address is the key. It opens this page alone. */
final class CalendarController extends Controller
{
    #[OA\Get(
        path: '/calendar/{key}.ics',
        operationId: 'getCalendar',
        summary: 'The plan, what is due and what comes out of a dryer, as iCalendar; the key is a token of the scope '
            .'calendar with - in place of |',
        tags: ['plan'],
        responses: [new Answer(200, 'the calendar'), new Answer(401, 'no such key, or it has ended')],
    )]
    public function __invoke(PlanAsCalendar $plan): Response
    {
        $this->authorize('viewAny', ShopOrder::class);

        return new Response($plan(), 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Cache-Control' => 'private, max-age=300',
            'X-Robots-Tag' => 'noindex',
        ]);
    }

    /** The token that an address stands for; null where it is none of these. */
    public static function keyOf(Request $request): ?string
    {
        $key = $request->routeIs('calendar') ? $request->route('key') : null;

        return is_string($key) ? preg_replace('/-/', '|', $key, 1) : null;
    }
}
