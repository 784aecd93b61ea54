<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\SessionData;
use App\Models\User;
use App\Support\KnownDevice;
use App\Support\Present;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use OpenApi\Attributes as OA;

final class SessionController extends Controller
{
    public function __construct(private readonly Present $present, private readonly KnownDevice $device)
    {
    }

    #[OA\Get(path: '/session', operationId: 'getSession', summary: 'Who is signed in here', tags: ['session'], responses: [new OA\Response(response: 200, description: 'ok', content: new OA\JsonContent(ref: '#/components/schemas/SessionData'))])]
    public function show(Request $request): JsonResponse
    {
        $user = Auth::guard('web')->user();

        return new JsonResponse($this->data($request, $user instanceof User ? $user : null));
    }

    #[OA\Post(path: '/session', operationId: 'signIn', summary: 'Sign in with a password', tags: ['session'], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['login', 'password'], properties: [new OA\Property(property: 'login', type: 'string'), new OA\Property(property: 'password', type: 'string')])), responses: [new OA\Response(response: 200, description: 'ok', content: new OA\JsonContent(ref: '#/components/schemas/SessionData'))])]
    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(['login' => ['required', 'string', 'max:100'], 'password' => ['required', 'string', 'max:200']]);
        if (! Auth::guard('web')->attempt(['login' => mb_strtolower($given['login']), 'password' => $given['password'], 'active' => true])) {
            throw new InputError('password', 'name and password do not match');
        }
        $request->session()->regenerate();
        $user = $this->user();
        $proof = $this->device->remember($request, $user);

        return new JsonResponse($this->data($request, $user, $proof));
    }

    /** A PIN switches person on a screen where that person has used a password before; it is never enough on a new one. */
    #[OA\Post(path: '/session/pin', operationId: 'switchPerson', summary: 'Switch person by PIN on a known screen', tags: ['session'], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['person_id', 'pin'], properties: [new OA\Property(property: 'person_id', type: 'integer'), new OA\Property(property: 'pin', type: 'string')])), responses: [new OA\Response(response: 200, description: 'ok', content: new OA\JsonContent(ref: '#/components/schemas/SessionData'))])]
    public function pin(Request $request): JsonResponse
    {
        $given = $request->validate(['person_id' => ['required', 'integer'], 'pin' => ['required', 'string', 'max:12']]);
        $user = $this->device->people($request)->firstWhere('id', (int) $given['person_id']);
        if ($user === null) {
            throw new InputError('person_id', 'has not signed in on this screen yet: use the password once');
        }
        if ($user->pin === null || ! Hash::check($given['pin'], $user->pin)) {
            throw new InputError('pin', 'is not right');
        }
        Auth::guard('web')->login($user);
        $request->session()->regenerate();
        $proof = $this->device->takeOver($request, $user);

        return new JsonResponse($this->data($request, $user, $proof));
    }

    #[OA\Delete(path: '/session', operationId: 'signOut', summary: 'Sign out', tags: ['session'], responses: [new OA\Response(response: 200, description: 'ok', content: new OA\JsonContent(ref: '#/components/schemas/SessionData'))])]
    public function destroy(Request $request): JsonResponse
    {
        $this->device->leave($request);
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse($this->data($request, null));
    }

    private function user(): User
    {
        $user = Auth::guard('web')->user();
        assert($user instanceof User);

        return $user;
    }

    private function data(Request $request, ?User $user, ?string $proof = null): SessionData
    {
        return new SessionData(
            $user === null ? null : $this->present->person($user), $this->present->preferences($user),
            array_values($this->device->people($request)->map(fn (User $u) => $this->present->person($u))->all()), Present::now(), $proof,
        );
    }
}
