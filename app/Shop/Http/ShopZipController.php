<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Http\Upload;
use App\Shop\Actions\ImportZip;
use App\Shop\Data\ZipFileData;
use App\Shop\Http\Requests\GetZipRequest;
use App\Shop\Http\Requests\ImportZipRequest;
use App\Shop\Queries\ShopAsZip;
use App\Support\Csv;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;

/** How a shop works, to another shop and from it. */
final class ShopZipController extends Controller
{
    #[OA\Get(
        path: '/transfer/shop.zip',
        operationId: 'exportShop',
        summary: 'Machines, moulds, products, set-ups, own values, mixes and own ways as one zip of CSV and JSON',
        tags: ['shop'],
        responses: [new Answer(200, 'the file')],
    )]
    public function export(GetZipRequest $request, ShopAsZip $zip): Response
    {
        return new Response($zip($request->products()), 200, [
            'Content-Type' => 'application/zip',
            'Content-Disposition' => 'attachment; filename="shop.zip"',
        ]);
    }

    #[OA\Post(
        path: '/transfer/shop',
        operationId: 'importShop',
        summary: 'Bring in how another shop works, all or nothing; with preview only say what it would do',
        tags: ['shop'],
        requestBody: new Upload(once: true),
        responses: [new Answer(200, 'what it did or would do', list: 'ZipFileData')],
    )]
    public function import(ImportZipRequest $request, ImportZip $import): JsonResponse
    {
        $given = $request->validated();
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid() || $file->getSize() > Csv::MAX_BYTES) {
            throw new InputError('file', 'is required: a zip of at most 5 MB');
        }
        $dry = (bool) ($given['preview'] ?? false);
        $done = array_map(
            static fn (array $f): ZipFileData => new ZipFileData($f['kind'], $f['rows'], $f['errors'], $f['would']),
            $import(mb_strtolower($given['id']), $request->actor(), $file->getRealPath(), $dry),
        );
        $faults = array_filter($done, static fn (ZipFileData $f): bool => $f->errors !== []);

        return $this->listed($done, status: $faults === [] || $dry ? 200 : 422);
    }
}
