<?php

declare(strict_types=1);

use App\Bench\Models\Task;
use App\Bench\Support\DoTask;
use App\Bench\Support\MeshStore;
use App\Material\Models\Lot;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/** A closed box of two triangles a face, each cut into n × n × 2. */
function fineBox(int $n): string
{
    $facets = '';
    $count = 0;
    $put = static function (array $a, array $b, array $c) use (&$facets, &$count): void {
        $facets .= pack('g12v', 0, 0, 0, ...$a, ...$b, ...$c, ...[0]);
        $count++;
    };
    foreach ([0, 1, 2] as $axis) {
        foreach ([0.0, 10.0] as $side) {
            for ($i = 0; $i < $n; $i++) {
                for ($j = 0; $j < $n; $j++) {
                    $at = static function (int $u, int $v) use ($axis, $side, $n): array {
                        $p = [10.0 * $u / $n, 10.0 * $v / $n];
                        array_splice($p, $axis, 0, [$side]);

                        return $p;
                    };
                    [$a, $b, $c, $d] = [$at($i, $j), $at($i + 1, $j), $at($i + 1, $j + 1), $at($i, $j + 1)];
                    // Seen from outside the corners run anticlockwise.
                    if (($side > 0) === ($axis !== 1)) {
                        $put($a, $b, $c);
                        $put($a, $c, $d);
                    } else {
                        $put($a, $c, $b);
                        $put($a, $d, $c);
                    }
                }
            }
        }
    }

    return str_pad('box', 80).pack('V', $count).$facets;
}

/** @return string rows of lots for an import */
function manyLots(int $rows): string
{
    $source = App\Material\Models\Source::query()->orderBy('id')->value('name');

    return "source,polymer,form,colour,mass_g\n".str_repeat("{$source},HDPE,flake,white,100\n", $rows);
}

function bring(string $text, string $id, bool $dry = false): Illuminate\Testing\TestResponse
{
    $file = UploadedFile::fake()->createWithContent('lots.csv', $text);

    return test()->post(
        '/api/v1/transfer/lots',
        ['file' => $file, 'id' => $id, 'preview' => $dry ? '1' : '0'],
        ['Accept' => 'application/json'],
    );
}

it('hands a mesh of many facets to the queue and keeps the answer for who asks again', function () {
    Queue::fake();
    $path = tempnam(sys_get_temp_dir(), 'box').'.stl';
    file_put_contents($path, fineBox(110));
    $mesh = app(MeshStore::class)->keep($path, 'box.stl', person('ines'));
    $this->actingAs(person('ines'));
    $task = $this->postJson('/api/v1/calc/mesh.measure', ['file' => $mesh->id])
        ->assertStatus(202)
        ->assertJsonPath('state', 'waiting')
        ->json('id');
    Queue::assertPushed(DoTask::class, static fn (DoTask $job): bool => $job->task === $task);

    app()->call([new DoTask($task, person('ines')->id), 'handle']);
    $answer = $this->getJson("/api/v1/tasks/{$task}")
        ->assertOk()
        ->assertJsonPath('state', 'done')
        ->assertJsonPath('share', 1.0)
        ->json('answer');
    expect($answer['volume_cm3'])->toEqualWithDelta(1.0, 1e-6)->and($answer['facets'])->toBe(145200);
    // The second time it is no work.
    $this->postJson('/api/v1/calc/mesh.measure', ['file' => $mesh->id])->assertOk()->assertJsonPath('watertight', true);
});

it('brings a long file in by the queue, once, and says what is wrong in it as a short one would', function () {
    $this->actingAs(person('ines'));
    Queue::fake();
    $before = Lot::query()->count();
    $id = fake_uuid();
    $task = bring(manyLots(1200), $id)->assertStatus(202)->assertJsonPath('id', $id)->json('id');
    // Sent again while it waits, and after it is done: the same task.
    bring(manyLots(1200), $id)->assertStatus(202)->assertJsonPath('state', 'waiting');
    Queue::assertPushed(DoTask::class, 1);
    app()->call([new DoTask($task, person('ines')->id), 'handle']);
    bring(manyLots(1200), $id)->assertStatus(202)->assertJsonPath('state', 'done')->assertJsonPath('answer.rows', 1200);
    app()->call([new DoTask($task, person('ines')->id), 'handle']);
    expect(Lot::query()->count() - $before)->toBe(1200);
    // Other rows under the same id are another thing.
    bring(manyLots(1300), $id)->assertStatus(409);

    $bad = bring(manyLots(1100)."nowhere,HDPE,flake,white,5\n", fake_uuid())->assertStatus(202)->json('id');
    app()->call([new DoTask($bad, person('ines')->id), 'handle']);
    $this->getJson("/api/v1/tasks/{$bad}")
        ->assertJsonPath('state', 'done')
        ->assertJsonPath('answer.errors.0.row', 1102)
        ->assertJsonPath('answer.errors.0.field', 'source');
    expect(Lot::query()->count() - $before)->toBe(1200);
});

it('takes three open tasks of one person, and shows them to nobody but a lead', function () {
    Queue::fake();
    $this->actingAs(person('ines'));
    $ids = array_map(
        static fn (): string => bring(manyLots(1100), fake_uuid())->assertStatus(202)->json('id'),
        range(1, 3),
    );
    bring(manyLots(1100), fake_uuid())->assertStatus(429);
    $this->getJson("/api/v1/tasks/{$ids[0]}")->assertOk();
    $this->signedIn('jun')->getJson("/api/v1/tasks/{$ids[0]}")->assertForbidden();
    bring(manyLots(1100), fake_uuid())->assertStatus(202);
    $this->signedIn('maren')->getJson("/api/v1/tasks/{$ids[0]}")->assertOk();
    $this->getJson('/api/v1/tasks/'.fake_uuid())->assertNotFound();
});

it('says of a task that broke that it failed, and lets the same id be sent anew', function () {
    Queue::fake();
    $this->actingAs(person('ines'));
    $id = fake_uuid();
    $task = bring(manyLots(1100), $id)->json('id');
    (new DoTask($task, person('ines')->id))->failed(new RuntimeException('the power went'));
    $this->getJson("/api/v1/tasks/{$task}")
        ->assertJsonPath('state', 'failed')
        ->assertJsonPath('fault.message', 'could not be done: ask for less at once, or again later');
    bring(manyLots(1050), $id)->assertStatus(202)->assertJsonPath('state', 'waiting');
    expect(Task::query()->findOrFail($id)->asked['dry'])->toBeFalse();
});

it('refuses a state that is none in the database itself', function () {
    expect(
        static fn () => DB::table('tasks')->insert([
            'id' => fake_uuid(),
            'kind' => 'calc',
            'hash' => 'x',
            'by_id' => person()->id,
            'state' => 'lost',
            'at' => now(),
        ]),
    )
        ->toThrow(Illuminate\Database\QueryException::class);
});
