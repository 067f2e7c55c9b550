<?php

declare(strict_types=1);

namespace App\Telling;

use App\Models\Notice;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** What one person has not read, as a mail of plain text. */
final class Digest extends Mailable
{
    /** @param  list<array{installation: StoredInstallation, notices: list<Notice>}>  $of */
    public function __construct(private readonly User $person, private readonly array $of)
    {
    }

    public function envelope(): Envelope
    {
        $many = array_sum(array_map(static fn (array $each): int => count($each['notices']), $this->of));
        $names = array_map(static fn (array $each): string => $each['installation']->name, $this->of);

        return new Envelope(
            subject: sprintf('%s: %s', Some::of($names), $many === 1 ? 'one thing for you' : $many.' things for you'),
        );
    }

    public function content(): Content
    {
        return new Content(text: 'digest', with: ['person' => $this->person, 'of' => array_map(
            static fn (array $each): array => [
                'name' => $each['installation']->name,
                'address' => url('/i/'.$each['installation']->address.'/notices'),
                'lines' => array_map(self::line(...), $each['notices']),
            ],
            $this->of,
        )]);
    }

    private static function line(Notice $notice): string
    {
        $words = $notice->by === null ? $notice->words : $notice->by->name.' '.$notice->words;
        $on = $notice->about['on'] ?? '';

        return $words.($on === '' ? '' : ' ('.$on.')').($notice->note === '' ? '' : ': '.$notice->note);
    }
}
