<?php

declare(strict_types=1);

use App\Bench\Models\Mesh;
use App\Bench\Support\MeshStore;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

function tray(): UploadedFile
{
    return UploadedFile::fake()->createWithContent(
        'tray.stl',
        (string) file_get_contents(base_path('core/data/feeder-tray.stl')),
    );
}

beforeEach(function () {
    Mesh::query()->delete();
});

it('keeps an STL file once, measures it by its id, and gives its facets for a drawing', function () {
    $this->actingAs(person());
    $id = $this->post('/api/v1/meshes', ['file' => tray()], ['Accept' => 'application/json'])
        ->assertCreated()
        ->assertJsonPath('facets', 1040)
        ->assertJsonPath('mine', true)
        ->json('id');
    expect(
        $this->post('/api/v1/meshes', ['file' => tray()], ['Accept' => 'application/json'])->json('id'),
    )->toBe($id)->and(Mesh::query()->count())->toBe(1);
    $this->getJson('/api/v1/meshes')->assertOk()->assertJsonPath('items.0.name', 'tray.stl');
    for ($i = 0; $i < 2; $i++) {
        $this->postJson('/api/v1/calc/mesh.measure', ['file' => $id])
            ->assertOk()
            ->assertJsonPath('watertight', true)
            ->assertJsonPath('facets', 1040);
    }
    expect(strlen(
        $this->get("/api/v1/meshes/{$id}/facets?pull=-z&male=0")->assertOk()->streamedContent(),
    ))->toBe(44 * 1040);
    $this->getJson("/api/v1/meshes/{$id}/facets?pull=up")->assertStatus(422)->assertJsonPath('error.field', 'pull');
    // What is in the database is the whole file.
    $whole = implode(
        '',
        array_map(
            static fn (object $p): string => (string) stream_get_contents($p->content),
            DB::table('mesh_parts')->where('mesh_id', $id)->orderBy('part')->get()->all(),
        ),
    );
    expect(hash('sha256', $whole))->toBe(hash_file('sha256', base_path('core/data/feeder-tray.stl')));
});

it('opens no path, whatever a name says', function (string $name) {
    $this->actingAs(person())
        ->postJson('/api/v1/calc/mesh.measure', ['file' => $name])
        ->assertStatus(422)
        ->assertJsonPath('error.field', 'file')
        ->assertJsonPath('error.message', 'is none that was uploaded here: choose one, or upload it');
})->with([
    'core/data/feeder-tray.stl',
    '/etc/passwd',
    '../../.env',
    'php://filter/read=convert.base64-encode/resource=/etc/passwd',
    '00000000-0000-0000-0000-000000000000',
    '',
]);

it('takes nothing that is not STL, and nothing without a file', function () {
    $this->actingAs(person());
    $this->post(
        '/api/v1/meshes',
        ['file' => UploadedFile::fake()->createWithContent('a.stl', '<?php echo 1;')],
        ['Accept' => 'application/json'],
    )->assertStatus(422)->assertJsonPath('error.field', 'file');
    $this->postJson('/api/v1/meshes', [])
        ->assertStatus(422)
        ->assertJsonPath('error.message', 'is required: an STL file');
    expect(Mesh::query()->count())->toBe(0);
});

it('lets a file be taken away by who brought it or by a lead only', function (string $by, int $status) {
    $mesh = app(MeshStore::class)->keep(base_path('core/data/feeder-tray.stl'), 'tray.stl', person('ines'));
    $this->actingAs(person($by))->deleteJson("/api/v1/meshes/{$mesh->id}")->assertStatus($status);
    expect(DB::table('mesh_parts')->count())->toBe($status === 204 ? 0 : 1);
    $this->postJson(
        '/api/v1/calc/mesh.measure',
        ['file' => $mesh->id, 'units' => 'in'],
    )->assertStatus($status === 204 ? 422 : 200);
})->with([['ines', 204], ['maren', 204], ['jun', 403]]);
