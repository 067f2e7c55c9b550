<?php

declare(strict_types=1);

namespace App\Http\Controllers\Who;

use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Refusal;
use App\Http\LastOpened;
use App\Http\Requests\Who\SignIn;
use App\Http\Resources\Who\SessionResource;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Who\Attempts;
use App\Who\DemoDoor;
use App\Who\Entry;
use App\Who\KnownDevice;
use App\Who\Logbook;
use App\Who\Passwords;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Who is signed in here.
 *
 * @phpstan-import-type DemoShown from DemoDoor
 * @phpstan-import-type SessionOpen from SessionResource
 *
 * @phpstan-type SessionClosed array{person: null, demo: DemoShown|null}
 */
final class SessionController
{
    /** @return Answer<SessionOpen|SessionClosed> */
    public function show(Request $request): Answer
    {
        $user = $request->user();

        return $user instanceof User
            ? new Answer(SessionResource::of($user, self::page($request)))
            : new Answer(['person' => null, 'demo' => DemoDoor::shown()]);
    }

    /** @return Answer<SessionOpen|SessionClosed> */
    public function signIn(Request $request, #[Body(SignIn::class)] SignIn $sent): Answer
    {
        $account = mb_strtolower($sent->signIn);
        $person = User::query()->where('sign_in', $account)->where('retired_at', null)->first();
        $attempts = new Attempts($account, (string) $request->ip(), KnownDevice::of($request, $person));
        $wait = $attempts->wait();
        if ($wait !== null) {
            abort(
                Response::HTTP_TOO_MANY_REQUESTS,
                sprintf('Too many attempts from here. Try again in %d seconds.', $wait),
                ['Retry-After' => (string) $wait],
            );
        }
        $isRight = Passwords::isOf($person, $sent->password);
        if ($person === null || ! $isRight) {
            $attempts->failed();
            throw Refusal::of('signIn', 'Sign-in name and password do not match. Check both.');
        }
        $attempts->came();
        self::begin($request, $person);

        return $this->show($request);
    }

    /** Which installation the page is of, where it says so. */
    private static function page(Request $request): string
    {
        $at = $request->query('at');

        return is_string($at) ? strtolower($at) : '';
    }

    /** @return Answer<SessionClosed> */
    public function signOut(Request $request): Answer
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Answer(['person' => null, 'demo' => DemoDoor::shown()]);
    }

    /**
     * Somebody works here now: the next time that they open the application, they begin here.
     *
     * @return Answer<array{address: string}>
     */
    public function last(StoredInstallation $installation, #[CurrentUser] User $user): Answer
    {
        LastOpened::put($user, $installation);

        return new Answer(['address' => $installation->address]);
    }

    /**
     * Pages of the first version ask for this before they load themselves anew.
     *
     * @return Answer<SessionOpen|SessionClosed>
     */
    public function open(Request $request, #[CurrentUser] User $user, int $id): Answer
    {
        $installation = $user->installations()->where('installations.id', $id)->first();
        if ($installation === null) {
            abort(404, 'There is no such installation, or you are not of its crew.');
        }
        LastOpened::put($user, $installation);

        return $this->show($request);
    }

    public static function begin(Request $request, User $person): void
    {
        Auth::login($person);
        $request->session()->regenerate();
        $request->setUserResolver(static fn (): User => $person);
        KnownDevice::remember($request, $person);
        Logbook::write(Entry::SignedIn, 'signed in', $person);
    }
}
