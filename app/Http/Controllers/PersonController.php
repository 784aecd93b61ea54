<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use App\Support\Present;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Hash;
use OpenApi\Attributes as OA;

final class PersonController extends Controller
{
    public function __construct(private readonly Present $present)
    {
    }

    #[OA\Get(path: '/people', operationId: 'getPeople', summary: 'Everybody of the shop', tags: ['shop'], responses: [new OA\Response(response: 200, description: 'ok', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/PersonData')))])]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', User::class);

        return new JsonResponse(User::query()->where('active', true)->orderBy('name')->get()->map(fn (User $u) => $this->present->person($u)));
    }

    #[OA\Put(path: '/me/preferences', operationId: 'setPreferences', summary: 'Units, light or dark, glove size', tags: ['session'], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PreferencesData')), responses: [new OA\Response(response: 200, description: 'ok', content: new OA\JsonContent(ref: '#/components/schemas/PreferencesData'))])]
    public function preferences(Request $request): JsonResponse
    {
        $user = $this->person($request);
        $this->authorize('update', $user);
        $user->update(['preferences' => $request->validate([
            'units' => ['required', 'in:metric,us'], 'theme' => ['required', 'in:auto,light,dark'], 'glove' => ['required', 'boolean'],
        ])]);

        return new JsonResponse($this->present->preferences($user));
    }

    #[OA\Put(path: '/me/pin', operationId: 'setPin', summary: 'Set the PIN for switching person on a known screen', tags: ['session'], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['password', 'pin'], properties: [new OA\Property(property: 'password', type: 'string'), new OA\Property(property: 'pin', type: 'string')])), responses: [new OA\Response(response: 204, description: 'set')])]
    public function pin(Request $request): JsonResponse
    {
        $user = $this->person($request);
        $this->authorize('update', $user);
        $given = $request->validate(['password' => ['required', 'string', 'max:200'], 'pin' => ['required', 'regex:/^\d{4,8}$/']]);
        if (! Hash::check($given['password'], $user->password)) {
            throw new InputError('password', 'is not right');
        }
        $user->update(['pin' => $given['pin']]);

        return new JsonResponse(null, 204);
    }

    /** A token for an instrument or a script; shown once, stored as a hash. */
    #[OA\Post(path: '/tokens', operationId: 'makeToken', summary: 'Make a token for an instrument or a script', tags: ['shop'], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['name', 'scopes'], properties: [new OA\Property(property: 'name', type: 'string'), new OA\Property(property: 'scopes', type: 'array', items: new OA\Items(type: 'string', enum: ['readings', 'calc', 'shop']))])), responses: [new OA\Response(response: 201, description: 'made', content: new OA\JsonContent(required: ['token'], properties: [new OA\Property(property: 'token', type: 'string')]))])]
    public function token(Request $request): JsonResponse
    {
        $this->authorize('makeToken', User::class);
        $given = $request->validate(['name' => ['required', 'string', 'max:80'], 'scopes' => ['required', 'array', 'min:1'], 'scopes.*' => ['in:readings,calc,shop']]);

        return new JsonResponse(['token' => $this->person($request)->createToken($given['name'], $given['scopes'])->plainTextToken], 201);
    }

    private function person(Request $request): User
    {
        $user = $request->user();
        assert($user instanceof User);

        return $user;
    }
}
