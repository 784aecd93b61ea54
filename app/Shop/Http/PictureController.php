<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Http\Upload;
use App\Shop\Actions\KeepPicture;
use App\Shop\Models\Picture;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;

/** Photographs of swatches and trial pieces. */
final class PictureController extends Controller
{
    private const MAX_BYTES = 12_000_000;

    #[OA\Post(
        path: '/pictures',
        operationId: 'postPicture',
        summary: 'Upload a photograph, JPEG, PNG or WebP of at most 12 MB',
        tags: ['lots'],
        requestBody: new Upload,
        responses: [new OA\Response(
            response: 201,
            description: 'kept',
            content: new OA\JsonContent(
                required: ['id'],
                properties: [new OA\Property(property: 'id', type: 'string')],
            ),
        )],
    )]
    public function store(Request $request, KeepPicture $keep): JsonResponse
    {
        $this->authorize('create', Picture::class);
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid() || $file->getSize() > self::MAX_BYTES) {
            throw new InputError('file', 'is required: a photograph of at most 12 MB');
        }

        return new JsonResponse(['id' => $keep($file->getRealPath(), $this->actor($request))], 201);
    }

    #[OA\Get(
        path: '/pictures/{picture}',
        operationId: 'getPicture',
        summary: 'A photograph',
        tags: ['lots'],
        responses: [new Answer(200, 'a JPEG')],
    )]
    public function show(string $picture): Response
    {
        $this->authorize('viewAny', Picture::class);
        $jpeg = Picture::bytes($picture) ?? abort(404);

        return new Response(
            $jpeg,
            200,
            [
                'Content-Type' => 'image/jpeg',
                'Cache-Control' => 'private, max-age=31536000, immutable',
                'X-Content-Type-Options' => 'nosniff',
            ],
        );
    }
}
