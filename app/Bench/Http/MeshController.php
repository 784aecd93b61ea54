<?php

declare(strict_types=1);

namespace App\Bench\Http;

use App\Bench\Data\MeshData;
use App\Bench\Models\Mesh;
use App\Bench\Support\MeshStore;
use App\Http\Answer;
use App\Http\Controller;
use App\Http\Upload;
use App\People\Models\User;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Mesh\MeasureInput;
use Dithermic\Core\Mesh\Picture;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** STL files for mesh.measure: uploaded once, then named by their id. */
final class MeshController extends Controller
{
    private const NEWEST = 100;

    public function __construct(private readonly MeshStore $meshes)
    {
    }

    #[OA\Get(
        path: '/meshes',
        operationId: 'getMeshes',
        summary: 'Uploaded STL files, the newest first',
        tags: ['calc'],
        responses: [new Answer(200, 'ok', list: 'MeshData')],
    )]
    public function index(Request $request): JsonResponse
    {
        $this->authorize('viewAny', Mesh::class);

        return $this->listed(
            Mesh::query()->with('by')
                ->orderByDesc('created_at')
                ->orderBy('id')
                ->limit(self::NEWEST)
                ->get()
                ->map(fn (Mesh $m): MeshData => $this->data($request, $m)),
        );
    }

    #[OA\Post(
        path: '/meshes',
        operationId: 'postMesh',
        summary: 'Upload an STL file of at most 200 MB; the same file twice is kept once',
        tags: ['calc'],
        requestBody: new Upload,
        responses: [new Answer(201, 'kept', 'MeshData')],
    )]
    public function store(Request $request): JsonResponse
    {
        $this->authorize('create', Mesh::class);
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw new InputError(
                'file',
                $file instanceof UploadedFile
                    ? 'did not arrive whole: at most 200 MB, and try again'
                    : 'is required: an STL file',
            );
        }
        $user = $request->user();
        assert($user instanceof User);
        $mesh = $this->meshes->keep($file->getRealPath(), $file->getClientOriginalName(), $user);

        return new JsonResponse($this->data($request, $mesh->load('by')), 201);
    }

    #[OA\Delete(
        path: '/meshes/{mesh}',
        operationId: 'deleteMesh',
        summary: 'Take an STL file away',
        tags: ['calc'],
        responses: [new Answer(204, 'gone')],
    )]
    public function destroy(Mesh $mesh): JsonResponse
    {
        $this->authorize('delete', $mesh);
        $this->meshes->drop($mesh);

        return new JsonResponse(null, 204);
    }

    #[OA\Get(
        path: '/meshes/{mesh}/facets',
        operationId: 'getMeshFacets',
        summary: 'Facets for a drawing: eleven float32 each, little endian: three vertices in mm, draft in degrees, and 0 open, 1 side, 2 undercut or 3 base',
        tags: ['calc'],
        parameters: [
            new OA\Parameter(name: 'pull', in: 'query', schema: new OA\Schema(type: 'string')),
            new OA\Parameter(name: 'male', in: 'query', schema: new OA\Schema(type: 'boolean')),
            new OA\Parameter(name: 'units', in: 'query', schema: new OA\Schema(type: 'string')),
        ],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\MediaType(mediaType: 'application/octet-stream'),
        )],
    )]
    public function facets(Request $request, Mesh $mesh): StreamedResponse
    {
        $this->authorize('view', $mesh);
        $asked = ['file' => $mesh->id, 'male' => $request->boolean('male', true)];
        foreach (['pull', 'units'] as $name) {
            if ($request->query($name) !== null) {
                $asked[$name] = $request->query($name);
            }
        }
        $picture = new Picture($this->meshes->path($mesh->id), Reader::read(MeasureInput::class, $asked));

        return new StreamedResponse(static function () use ($picture): void {
            foreach ($picture->blocks() as $block) {
                echo $block;
                flush();
            }
        },
            200,
            [
                'Content-Type' => 'application/octet-stream',
                'Content-Length' => (string) (44 * $mesh->facets),
                'Cache-Control' => 'private, max-age=3600',
            ]);
    }

    private function data(Request $request, Mesh $mesh): MeshData
    {
        return MeshData::of($mesh, $request->user()?->can('delete', $mesh) ?? false);
    }
}
