<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\ColleagueData;
use App\Models\User;
use App\Support\People;
use App\Support\Present;
use App\Support\Role;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

final class PersonController extends Controller
{
    public function __construct(private readonly Present $present)
    {
    }

    #[OA\Get(
        path: '/people',
        operationId: 'getPeople',
        summary: 'Everybody of the shop',
        tags: ['shop'],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/PersonData')),
        )],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', User::class);

        return new JsonResponse(
            User::query()->where('active', true)
                ->orderBy('name')
                ->get()
                ->map(fn (User $u) => $this->present->person($u)),
        );
    }

    #[OA\Put(
        path: '/me/preferences',
        operationId: 'setPreferences',
        summary: 'Units, light or dark, glove size',
        tags: ['session'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(ref: '#/components/schemas/PreferencesData'),
        ),
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(ref: '#/components/schemas/PreferencesData'),
        )],
    )]
    public function preferences(Request $request): JsonResponse
    {
        $user = $this->person($request);
        $this->authorize('update', $user);
        $user->update(['preferences' => $request->validate([
            'units' => ['required', 'in:metric,us'],
            'theme' => ['required', 'in:auto,light,dark'],
            'glove' => ['required', 'boolean'],
        ])]);

        return new JsonResponse($this->present->preferences($user));
    }

    #[OA\Put(
        path: '/me/pin',
        operationId: 'setPin',
        summary: 'Set the PIN for switching person on a known screen',
        tags: ['session'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['password', 'pin'],
                properties: [
                    new OA\Property(property: 'password', type: 'string'),
                    new OA\Property(property: 'pin', type: 'string'),
                ],
            ),
        ),
        responses: [new OA\Response(response: 204, description: 'set')],
    )]
    public function pin(Request $request): JsonResponse
    {
        $user = $this->person($request);
        $this->authorize('update', $user);
        $given = $request->validate([
            'password' => ['required', 'string', 'max:200'],
            'pin' => ['required', 'regex:/^\d{4,8}$/'],
        ]);
        if (! Hash::check($given['password'], $user->password)) {
            throw new InputError('password', 'is not right');
        }
        $user->update(['pin' => $given['pin']]);

        return new JsonResponse(null, 204);
    }

    #[OA\Put(
        path: '/me/password',
        operationId: 'setPassword',
        summary: 'Change the own password; every other sign-in of this person ends',
        tags: ['session'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['password', 'new_password'],
                properties: [
                    new OA\Property(property: 'password', type: 'string'),
                    new OA\Property(property: 'new_password', type: 'string'),
                ],
            ),
        ),
        responses: [new OA\Response(response: 204, description: 'changed')],
    )]
    public function password(Request $request, People $people): JsonResponse
    {
        $user = $this->person($request);
        $this->authorize('update', $user);
        $given = $request->validate([
            'password' => ['required', 'string', 'max:200'],
            'new_password' => People::passwordRules($user->name, $user->login),
        ]);
        if (! Hash::check($given['password'], $user->password)) {
            throw new InputError('password', 'is not right');
        }
        $people->setPassword($user, $given['new_password'], $request->session()->getId());
        Auth::guard('web')->login($user->refresh());

        return new JsonResponse(null, 204);
    }

    #[OA\Get(
        path: '/people/all',
        operationId: 'getAllPeople',
        summary: 'Everybody, also who was switched off',
        tags: ['shop'],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/ColleagueData')),
        )],
    )]
    public function all(): JsonResponse
    {
        $this->authorize('manage', User::class);

        return new JsonResponse(
            User::query()->orderByDesc('active')->orderBy('name')->get()->map(
                static fn (User $u): ColleagueData => new ColleagueData(
                    $u->id,
                    $u->name,
                    $u->login,
                    $u->role->value,
                    $u->pin !== null,
                    $u->active,
                ),
            ),
        );
    }

    #[OA\Post(
        path: '/people',
        operationId: 'addPerson',
        summary: 'Somebody new',
        tags: ['shop'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['name', 'login', 'role', 'password'],
                properties: [
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'login', type: 'string'),
                    new OA\Property(property: 'role', type: 'string', enum: ['lead', 'operator']),
                    new OA\Property(property: 'password', type: 'string'),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'added',
            content: new OA\JsonContent(ref: '#/components/schemas/PersonData'),
        )],
    )]
    public function store(Request $request): JsonResponse
    {
        $this->authorize('manage', User::class);
        if (is_string($request->input('login'))) {
            $request->merge(['login' => mb_strtolower($request->input('login'))]);
        }
        $given = $request->validate([
            'name' => ['required', 'string', 'max:80'],
            'login' => ['required', 'string', 'regex:/^[\p{L}\d._-]{2,40}$/u', 'unique:users,login'],
            'role' => ['required', Rule::enum(Role::class)],
            'password' => People::passwordRules(...array_filter($request->only('name', 'login'), is_string(...))),
        ]);
        $user = User::query()->create($given + ['preferences' => [], 'active' => true]);

        return new JsonResponse($this->present->person($user), 201);
    }

    #[OA\Put(
        path: '/people/{person}',
        operationId: 'changePerson',
        summary: 'Switch off or on, or another role; the shop keeps a lead',
        tags: ['shop'],
        parameters: [new OA\Parameter(
            name: 'person',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'integer'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['active', 'role'],
                properties: [
                    new OA\Property(property: 'active', type: 'boolean'),
                    new OA\Property(property: 'role', type: 'string', enum: ['lead', 'operator']),
                ],
            ),
        ),
        responses: [new OA\Response(response: 204, description: 'changed')],
    )]
    public function change(Request $request, User $person, People $people): JsonResponse
    {
        $this->authorize('manage', User::class);
        $given = $request->validate([
            'active' => ['required', 'boolean'],
            'role' => ['required', Rule::enum(Role::class)],
        ]);
        $people->change($person, (bool) $given['active'], Role::from($given['role']));

        return new JsonResponse(null, 204);
    }

    /** For who forgot a password or a PIN: another lead sets a new password, and the PIN is set anew by its owner. */
    #[OA\Post(
        path: '/people/{person}/reset',
        operationId: 'resetPerson',
        summary: 'A new password for somebody else; PIN, screens and sign-ins of that person are forgotten',
        tags: ['shop'],
        parameters: [new OA\Parameter(
            name: 'person',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'integer'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['password'],
                properties: [new OA\Property(property: 'password', type: 'string')],
            ),
        ),
        responses: [new OA\Response(response: 204, description: 'reset')],
    )]
    public function reset(Request $request, User $person, People $people): JsonResponse
    {
        $this->authorize('manage', User::class);
        $given = $request->validate(['password' => People::passwordRules($person->name, $person->login)]);
        if ($person->is($this->person($request))) {
            throw new InputError('person', 'is you: change your own password with the old one');
        }
        $people->reset($person, $given['password']);

        return new JsonResponse(null, 204);
    }

    private function person(Request $request): User
    {
        $user = $request->user();
        assert($user instanceof User);

        return $user;
    }
}
