<?php

declare(strict_types=1);

use App\Causes\Models\PartPicture;
use App\Causes\Models\SampleLine;
use App\Runs\Models\Run;
use App\Shop\Actions\KeepPicture;
use App\Shop\Models\Product;
use Illuminate\Testing\TestResponse;

function aPicture(): string
{
    $image = imagecreatetruecolor(40, 30);
    imagepng($image, $path = tempnam(sys_get_temp_dir(), 'part'));

    return app(KeepPicture::class)($path, person('ines'));
}

function runOf(string $product): Run
{
    return Run::query()->whereRelation('product', 'name', $product)
        ->where('status', 'finished')
        ->latest('started_at')
        ->firstOrFail();
}

function showPart(Run $run, array $over = [], string $who = 'ines'): TestResponse
{
    return test()->signedIn($who)->postJson("/api/v1/runs/{$run->id}/pictures", $over + [
        'id' => fake_uuid(), 'place' => 'gate side', 'piece' => null, 'picture_id' => aPicture(),
    ]);
}

function approvePart(
    Product $product,
    ?string $picture,
    ?string $before = null,
    string $who = 'maren',
    array $over = [],
): TestResponse {
    return test()->signedIn($who)->postJson("/api/v1/products/{$product->id}/samples", $over + [
        'id' => fake_uuid(), 'place' => 'gate side', 'part_picture_id' => $picture, 'before' => $before,
    ]);
}

it('keeps a picture of a part by its place, once, and shows it beside what was approved', function (): void {
    $run = runOf('entrance reducer');
    $body = ['id' => fake_uuid(), 'place' => '  Gate   side', 'piece' => 2, 'picture_id' => aPicture()];
    showPart($run, $body)->assertCreated()->assertJsonPath('items.0.place', 'gate side')
        ->assertJsonPath('items.0.approved', null)
        ->assertJsonPath('items.0.now.0.piece', 2);
    showPart($run, $body)->assertCreated();
    expect(PartPicture::query()->where('run_id', $run->id)->count())->toBe(1);
    approvePart($run->product, $body['id'])->assertCreated()->assertJsonPath('items.0.approved.id', $body['id'])
        ->assertJsonPath('items.0.approved_by', 'Maren Okafor');
    // The next run of it is looked at beside that one.
    $other = Run::query()->where('product_id', $run->product_id)->whereKeyNot($run->id)->firstOrFail();
    $this->getJson("/api/v1/runs/{$other->id}/pictures")->assertOk()
        ->assertJsonPath('items.0.approved.run', $run->number)
        ->assertJsonPath('items.0.now', []);
});

it('has the newest word of a lead on each place, and nothing where it was withdrawn', function (): void {
    $run = runOf('entrance reducer');
    [$one, $two] = [fake_uuid(), fake_uuid()];
    showPart($run, ['id' => $one])->assertCreated();
    showPart($run, ['id' => $two])->assertCreated();
    approvePart($run->product, $one, who: 'ines')->assertForbidden();
    approvePart($run->product, $one)->assertCreated();
    // Somebody who has not seen that one does not put another in its place.
    approvePart($run->product, $two)->assertStatus(422)->assertJsonPath('error.field', 'before');
    approvePart($run->product, $two, $one)->assertCreated()->assertJsonPath('items.0.approved.id', $two);
    approvePart($run->product, null, $two)->assertCreated()->assertJsonPath('items', []);
    expect(SampleLine::query()->where('product_id', $run->product_id)->count())->toBe(3);
    expect(static fn () => SampleLine::query()->delete())->toThrow(Exception::class);
});

it('takes nothing that is of another part', function (array $over, string $field): void {
    $run = runOf('entrance reducer');
    showPart($run, $over)->assertStatus(422)->assertJsonPath('error.field', $field);
})->with([
    'no place' => [['place' => ' '], 'place'],
    'a place that is a book' => [['place' => str_repeat('x', 41)], 'place'],
    'a part that it has not' => [['piece' => 99999], 'piece'],
    'no picture' => [['picture_id' => '00000000-0000-4000-8000-000000000000'], 'picture_id'],
]);

it('approves no picture of another product or place', function (): void {
    $run = runOf('entrance reducer');
    $other = Product::query()->whereKeyNot($run->product_id)->firstOrFail();
    $id = fake_uuid();
    showPart($run, ['id' => $id])->assertCreated();
    approvePart($other, $id)->assertStatus(422)->assertJsonPath('error.field', 'part_picture_id');
    approvePart($run->product, $id, over: ['place' => 'corner'])->assertStatus(422)
        ->assertJsonPath('error.field', 'part_picture_id');
    showPart(runOf('travel lid'), ['id' => $id])->assertStatus(409)->assertJsonPath('error.field', 'id');
});
