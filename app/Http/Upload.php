<?php

declare(strict_types=1);

namespace App\Http;

use OpenApi\Attributes as OA;

/** A file that is sent as a form; one that is brought in all or not at all comes with its id, and may be tried first. */
final class Upload extends OA\RequestBody
{
    public function __construct(bool $once = false)
    {
        $file = new OA\Property(property: 'file', type: 'string', format: 'binary');
        parent::__construct(
            required: true,
            content: new OA\MediaType(
                mediaType: 'multipart/form-data',
                schema: new OA\Schema(
                    required: $once ? ['file', 'id'] : ['file'],
                    properties: $once ? [
                        $file,
                        new OA\Property(property: 'id', type: 'string', format: 'uuid'),
                        new OA\Property(property: 'preview', type: 'boolean'),
                    ] : [$file],
                ),
            ),
        );
    }
}
