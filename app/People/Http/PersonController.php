<?php

declare(strict_types=1);

namespace App\People\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\People\Data\ColleagueData;
use App\People\Http\Requests\AddPersonRequest;
use App\People\Http\Requests\ChangePersonRequest;
use App\People\Http\Requests\ResetPersonRequest;
use App\People\Http\Requests\SetPasswordRequest;
use App\People\Http\Requests\SetPinRequest;
use App\People\Http\Requests\SetPreferencesRequest;
use App\People\Models\User;
use App\People\Support\People;
use App\People\Support\PresentPerson;
use App\People\Support\Role;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use OpenApi\Attributes as OA;

final class PersonController extends Controller
{
    public function __construct(private readonly PresentPerson $present)
    {
    }

    #[OA\Get(
        path: '/people',
        operationId: 'getPeople',
        summary: 'Everybody of the shop',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'PersonData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', User::class);

        return $this->listed(
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
        responses: [new Answer(200, 'ok', 'PreferencesData')],
    )]
    public function preferences(SetPreferencesRequest $request): JsonResponse
    {
        $user = $this->actor($request);
        $user->update(['preferences' => $request->validated()]);

        return new JsonResponse($this->present->preferences($user));
    }

    #[OA\Put(
        path: '/me/pin',
        operationId: 'setPin',
        summary: 'Set the PIN for switching person on a known screen',
        tags: ['session'],
        responses: [new Answer(204, 'set')],
    )]
    public function pin(SetPinRequest $request): JsonResponse
    {
        $user = $this->actor($request);
        $given = $request->validated();
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
        responses: [new Answer(204, 'changed')],
    )]
    public function password(SetPasswordRequest $request, People $people): JsonResponse
    {
        $user = $this->actor($request);
        $given = $request->validated();
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
        responses: [new Answer(200, 'ok', list: 'ColleagueData')],
    )]
    public function all(): JsonResponse
    {
        $this->authorize('manage', User::class);

        return $this->listed(
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
        responses: [new Answer(201, 'added', 'PersonData')],
    )]
    public function store(AddPersonRequest $request): JsonResponse
    {
        $given = $request->validated();
        $user = User::query()->create($given + ['preferences' => [], 'active' => true]);

        return new JsonResponse($this->present->person($user), 201);
    }

    #[OA\Put(
        path: '/people/{person}',
        operationId: 'changePerson',
        summary: 'Switch off or on, or another role; the shop keeps a lead',
        tags: ['shop'],
        responses: [new Answer(204, 'changed')],
    )]
    public function change(ChangePersonRequest $request, User $person, People $people): JsonResponse
    {
        $given = $request->validated();
        $people->change($person, (bool) $given['active'], Role::from($given['role']));

        return new JsonResponse(null, 204);
    }

    /** For who forgot a password or a PIN: another lead sets a new password, and the PIN is set anew by its owner. */
    #[OA\Post(
        path: '/people/{person}/reset',
        operationId: 'resetPerson',
        summary: 'A new password for somebody else; PIN, screens and sign-ins of that person are forgotten',
        tags: ['shop'],
        responses: [new Answer(204, 'reset')],
    )]
    public function reset(ResetPersonRequest $request, User $person, People $people): JsonResponse
    {
        $given = $request->validated();
        if ($person->is($this->actor($request))) {
            throw new InputError('person', 'is you: change your own password with the old one');
        }
        $people->reset($person, $given['password']);

        return new JsonResponse(null, 204);
    }
}
