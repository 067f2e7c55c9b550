<?php

declare(strict_types=1);

namespace App\Who;

use App\Models\User;
use Illuminate\Contracts\Config\Repository;
use Illuminate\Mail\Mailer;
use Illuminate\Mail\Message;
use Illuminate\Support\Facades\DB;

/**
 * Links by which people set their own password: to come in for the first time,
 * or because they forgot it. Each holds for a week and once, and a newer one
 * ends those before it. Nobody but the person ever knows a password.
 */
final readonly class Invitations
{
    private const DAYS = 7;

    private const BYTES = 32;

    /** Mailers that send nothing to anybody. */
    private const SILENT = ['log', 'array', ''];

    public function __construct(private Repository $config, private Mailer $mailer)
    {
    }

    public function to(User $person, ?User $by): Invitation
    {
        $token = rtrim(strtr(base64_encode(random_bytes(self::BYTES)), '+/', '-_'), '=');
        $until = now()->addDays(self::DAYS);
        DB::transaction(function () use ($person, $by, $token, $until): void {
            DB::table('invitations')->where('user_id', $person->id)->whereNull('used_at')->delete();
            DB::table('invitations')->insert([
                'user_id' => $person->id,
                'by_id' => $by?->id,
                'token' => self::hash($token),
                'created_at' => now(),
                'expires_at' => $until,
            ]);
        });
        $link = rtrim((string) $this->text('app.url'), '/').'/join/'.$token;
        $to = $this->mailTo($person);
        if ($to === null) {
            return new Invitation($link, null, $until);
        }
        $this->mail($to, $person, $link, $until->format('Y-m-d'));

        return new Invitation(null, $to, $until);
    }

    /** Whom a link is for, while it holds. */
    public function person(string $token): ?User
    {
        $id = DB::table('invitations')
            ->where('token', self::hash($token))
            ->whereNull('used_at')
            ->where('expires_at', '>', now())
            ->value('user_id');

        return User::query()->with('organisation')->where('id', $id)->where('retired_at', null)->first();
    }

    /** @return bool whether it held until now; of two who come at the same moment, one */
    public function use(string $token): bool
    {
        return DB::table('invitations')
            ->where('token', self::hash($token))
            ->whereNull('used_at')
            ->where('expires_at', '>', now())
            ->update(['used_at' => now()]) === 1;
    }

    private function mailTo(User $person): ?string
    {
        $name = $person->sign_in ?? ($person->known_as ?? '');

        return in_array($this->text('mail.default'), self::SILENT, true) ||
            filter_var($name, FILTER_VALIDATE_EMAIL) === false
            ? null
            : $name;
    }

    private function mail(string $to, User $person, string $link, string $until): void
    {
        $words = sprintf(
            "%s,\n\n%s uses Sartal for its cable looms. Set your password here, until %s:\n\n%s\n\n".
                "If you expect nothing of the kind, leave this alone: nothing happens.\n",
            $person->name,
            $person->organisation->name,
            $until,
            $link,
        );
        $this->mailer->raw($words, static function (Message $message) use ($to, $person): void {
            $message->to($to)->subject(sprintf('Sartal: your sign-in at %s', $person->organisation->name));
        });
    }

    private function text(string $key): string
    {
        $value = $this->config->get($key);

        return is_string($value) ? $value : '';
    }

    private static function hash(string $token): string
    {
        return hash('sha256', $token);
    }
}
