<?php

declare(strict_types=1);

namespace App\People\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\People\Data\SessionData;
use App\People\Http\Requests\SignInRequest;
use App\People\Http\Requests\SwitchPersonRequest;
use App\People\Models\User;
use App\People\Support\KnownDevice;
use App\People\Support\PresentPerson;
use App\People\Support\Tries;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use OpenApi\Attributes as OA;

final class SessionController extends Controller
{
    /** the hash of a password that nobody has, of the cost of everybody's */
    private const NOBODY = '$2y$12$XjWbuSq.Uo/kXlIr.lY7.OqzBSylN1BXzzSZB/qnU2f8IcVnFn/lO';

    public function __construct(
        private readonly PresentPerson $present,
        private readonly KnownDevice $device,
        private readonly Tries $tries,
    ) {
    }

    #[OA\Get(
        path: '/session',
        operationId: 'getSession',
        summary: 'Who is signed in here',
        tags: ['session'],
        responses: [new Answer(200, 'ok', 'SessionData')],
    )]
    public function show(Request $request): JsonResponse
    {
        $user = Auth::guard('web')->user();

        return new JsonResponse($this->data($request, $user instanceof User ? $user : null));
    }

    #[OA\Post(
        path: '/session',
        operationId: 'signIn',
        summary: 'Sign in with a password',
        tags: ['session'],
        responses: [new Answer(200, 'ok', 'SessionData')],
    )]
    public function store(SignInRequest $request): JsonResponse
    {
        $this->mustBeOurScreen($request);
        $given = $request->validated();
        $from = $this->device->id($request) ?? (string) $request->ip();
        $subject = Tries::password($given['login'], $from);
        $this->tries->begin($subject);
        $user = User::query()->where('login', mb_strtolower($given['login']))->where('active', true)->first();
        // A name that nobody has takes as long as one that somebody has.
        $right = Hash::check($given['password'], $user->password ?? self::NOBODY);
        if ($user === null || ! $right) {
            $this->tries->log('wrong name or password', $user, $request->ip());
            throw new InputError('password', 'name and password do not match');
        }
        $this->tries->clear($subject, Tries::pin($user));
        Auth::guard('web')->login($user);
        $request->session()->regenerate();
        $proof = $this->device->remember($request, $user);

        return new JsonResponse($this->data($request, $user, $proof));
    }

    /**
     * A PIN switches person on a screen where that person has used a password before; it is never enough on a new one.
     */
    #[OA\Post(
        path: '/session/pin',
        operationId: 'switchPerson',
        summary: 'Switch person by PIN on a known screen',
        tags: ['session'],
        responses: [new Answer(200, 'ok', 'SessionData')],
    )]
    public function pin(SwitchPersonRequest $request): JsonResponse
    {
        $this->mustBeOurScreen($request);
        $given = $request->validated();
        $user = $this->device->people($request)->firstWhere('id', (int) $given['person_id']);
        if ($user === null) {
            throw new InputError('person_id', 'has not signed in on this screen yet: use the password once');
        }
        $subject = Tries::pin($user);
        if ($this->tries->failed($subject) >= Tries::LOCKED_AFTER) {
            $this->tries->log('PIN tried while locked', $user, $request->ip());
            throw new InputError(
                'pin',
                'was wrong too often and is locked: sign in with the password, that opens it again',
            );
        }
        $this->tries->begin($subject);
        if ($user->pin === null || ! Hash::check($given['pin'], $user->pin)) {
            $this->tries->log('wrong PIN', $user, $request->ip());
            throw new InputError('pin', 'is not right');
        }
        $this->tries->clear($subject);
        Auth::guard('web')->login($user);
        $request->session()->regenerate();
        $proof = $this->device->takeOver($request, $user);

        return new JsonResponse($this->data($request, $user, $proof));
    }

    #[OA\Delete(
        path: '/session',
        operationId: 'signOut',
        summary: 'Sign out',
        tags: ['session'],
        responses: [new Answer(200, 'ok', 'SessionData')],
    )]
    public function destroy(Request $request): JsonResponse
    {
        $this->mustBeOurScreen($request);
        $this->device->leave($request);
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse($this->data($request, null));
    }

    /** Another site's page has no session here: it is told so before any password is looked at. */
    private function mustBeOurScreen(Request $request): void
    {
        if (! $request->hasSession()) {
            throw new InputError(
                'session',
                'begins on a screen of Dithermic only: scripts and instruments use a token',
            );
        }
    }

    private function data(Request $request, ?User $user, ?string $proof = null): SessionData
    {
        return new SessionData(
            $user === null ? null : $this->present->person($user), $this->present->preferences($user),
            array_values($this->device->people($request)->map(fn (User $u) => $this->present->person($u))->all()),
            Seconds::now(),
            $proof,
        );
    }
}
