<?php

declare(strict_types=1);

namespace App\Http\Controllers\Who;

use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Refusal;
use App\Http\Requests\Who\InvitationAccepted;
use App\Models\User;
use App\Who\Entry;
use App\Who\Invitations;
use App\Who\Logbook;
use App\Who\Passwords;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/**
 * The other end of an invitation: whoever holds the link sets a password and is in.
 *
 * @phpstan-type InvitationPage array{
 *     name: string,
 *     organisation: string,
 *     signIn: string|null,
 *     chooses: bool,
 *     least: int,
 * }
 */
final readonly class InvitationController
{
    public function __construct(private Invitations $invitations)
    {
    }

    /** @return Answer<InvitationPage> */
    public function show(string $token): Answer
    {
        $person = $this->person($token);

        return new Answer([
            'name' => $person->name,
            'organisation' => $person->organisation->name,
            'signIn' => $person->sign_in ?? $person->known_as,
            // Who has one keeps it.
            'chooses' => $person->sign_in === null,
            'least' => Passwords::LEAST,
        ]);
    }

    /** @return Answer<array{signIn: string|null}> */
    public function accept(
        Request $request,
        #[Body(InvitationAccepted::class)] InvitationAccepted $sent,
        string $token,
    ): Answer {
        $person = $this->person($token);
        try {
            DB::transaction(function () use ($sent, $person, $token): void {
                if ($person->sign_in === null) {
                    $person->update(['sign_in' => self::signIn($sent->signIn)]);
                }
                Passwords::set($person, $sent->password);
                abort_unless($this->invitations->use($token), Response::HTTP_GONE, self::over());
                Passwords::endSessions($person);
                Logbook::write(Entry::Account, 'set a password by invitation', $person);
            });
        } catch (UniqueConstraintViolationException) {
            throw Refusal::of('signIn', 'Somebody has this sign-in name already. Choose another.');
        }
        SessionController::begin($request, $person->refresh());

        return new Answer(['signIn' => $person->sign_in]);
    }

    /** @throws Refusal */
    private static function signIn(string $wanted): string
    {
        $name = mb_strtolower($wanted);
        if ($name === '' || preg_match('~[\s\p{C}]~u', $name) === 1) {
            throw Refusal::of('signIn', 'Write a sign-in name without blanks, such as your mail address.');
        }

        return $name;
    }

    private function person(string $token): User
    {
        return $this->invitations->person($token) ?? abort(Response::HTTP_GONE, self::over());
    }

    private static function over(): string
    {
        return 'This link is used, too old, or replaced by a newer one. Ask whoever invited you for another.';
    }
}
