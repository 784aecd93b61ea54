<?php

declare(strict_types=1);

namespace App\Http;

use Attribute;
use OpenApi\Attributes as OA;

/** What a path answers: a status, what that means, and the Data class or the list of them that comes with it. */
#[Attribute(Attribute::TARGET_METHOD)]
final class Answer extends OA\Response
{
    public function __construct(int $status, string $says, ?string $of = null, ?string $list = null)
    {
        parent::__construct(
            response: $status,
            description: $says,
            content: match (true) {
                $of !== null => new OA\JsonContent(ref: "#/components/schemas/{$of}"),
                $list !== null => new ListOf($list),
                default => null,
            },
        );
    }
}
