<?php

declare(strict_types=1);

namespace App\Http\Controllers\Who;

use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Http\Requests\Who\NoticesAsked;
use App\Http\Requests\Who\NoticesRead;
use App\Http\Requests\Who\OwnNotices;
use App\Http\Resources\Who\NoticeResource;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Telling\Digests;
use App\Telling\Notices;
use Illuminate\Container\Attributes\CurrentUser;
use Sartal\Core\Later\Telling\NoticeKind;

/**
 * What concerns whoever is signed in, and what of it they want to hear.
 *
 * @phpstan-import-type NoticeShown from NoticeResource
 *
 * @phpstan-type NoticesPage array{
 *     notices: list<NoticeShown>,
 *     more: bool,
 *     unread: int,
 *     elsewhere: list<array{address: string, name: string, unread: int}>,
 *     kinds: list<array{id: value-of<NoticeKind>, words: string, muted: bool}>,
 *     digest: bool,
 *     mails: bool,
 * }
 */
final readonly class NoticeController
{
    public function __construct(private Notices $notices)
    {
    }

    /** @return Answer<NoticesPage> */
    public function index(
        #[Query(NoticesAsked::class)] NoticesAsked $asked,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
    ): Answer {
        $this->notices->look($stored);
        $all = $this->notices->of($stored, $user, $asked->before);

        return new Answer([
            'notices' => array_map(NoticeResource::of(...), array_slice($all, 0, Notices::MOST)),
            'more' => count($all) > Notices::MOST,
            'unread' => Notices::unread($stored, $user),
            'elsewhere' => self::elsewhere($stored, $user),
            'kinds' => array_map(
                static fn (NoticeKind $kind): array => [
                    'id' => $kind->value,
                    'words' => $kind->words(),
                    'muted' => in_array($kind->value, $user->muted, true),
                ],
                NoticeKind::cases(),
            ),
            'digest' => $user->digest,
            'mails' => Digests::arePossible(),
        ]);
    }

    /** @return Answer<array{unread: int}> */
    public function read(
        #[Body(NoticesRead::class)] NoticesRead $sent,
        #[CurrentUser] User $user,
        StoredInstallation $stored,
    ): Answer {
        Notices::read($stored, $user, $sent->ids, $sent->upTo);

        return new Answer(['unread' => Notices::unread($stored, $user)]);
    }

    /** @return Answer<array{saved: true}> */
    public function choose(#[Body(OwnNotices::class)] OwnNotices $sent, #[CurrentUser] User $user): Answer
    {
        $muted = array_map(static fn (NoticeKind $kind): string => $kind->value, $sent->muted);
        $user->update(['muted' => array_values(array_unique($muted)), 'digest' => $sent->digest]);

        return new Answer(['saved' => true]);
    }

    /** @return list<array{address: string, name: string, unread: int}> */
    private static function elsewhere(StoredInstallation $stored, User $user): array
    {
        $many = Notices::elsewhere($stored, $user);
        $others = [];
        foreach ($many === [] ? [] : $user->installations as $other) {
            if (isset($many[$other->id])) {
                $others[] = ['address' => $other->address, 'name' => $other->name, 'unread' => $many[$other->id]];
            }
        }

        return $others;
    }
}
