<?php

declare(strict_types=1);

namespace App\Telling;

use App\Models\StoredInstallation;
use App\Models\User;
use Sartal\Core\Later\Telling\NoticeKind;
use Sartal\Core\Work\Bench\Skill;

/** Tells people what they were given to do, and what went to somebody else. */
final readonly class OfGiven
{
    /** How causes begin. */
    private const GIVEN = 'given ';

    private const TAKEN = 'taken ';

    public function __construct(private Teller $teller)
    {
    }

    /** @param  int  $row  of the assignment */
    public function given(
        StoredInstallation $stored,
        User $by,
        int $row,
        string $person,
        string $kind,
        string $key,
    ): void {
        $words = sprintf('gives you %s', self::name($stored, $kind, $key));
        $page = $kind === 'assembly' ? '/bench/'.$key : '/bench';
        $matter = new Matter(NoticeKind::Given, self::GIVEN.$row, $words, $page, by: $by);
        $this->teller->tell($stored, $matter, [$person]);
    }

    /**
     * Whoever has not read yet that they have it need not read that they had.
     *
     * @param  int  $row  of the assignment
     * @param  string  $words  with a place for what it was
     */
    public function gone(
        StoredInstallation $stored,
        User $by,
        int $row,
        string $person,
        string $kind,
        string $key,
        string $words,
    ): void {
        $given = Teller::open($stored, NoticeKind::Given)->where('cause', self::GIVEN.$row);
        $isUnread = $given->whereNull('read_at')->exists();
        $this->teller->over($stored, NoticeKind::Given, [self::GIVEN.$row]);
        if (! $isUnread) {
            $words = sprintf($words, self::name($stored, $kind, $key));
            $this->teller->tell(
                $stored,
                new Matter(NoticeKind::Given, self::TAKEN.$row, $words, '/bench', by: $by),
                [$person],
            );
        }
    }

    private static function name(StoredInstallation $stored, string $kind, string $key): string
    {
        $name = match ($kind) {
            'loom' => $stored
                ->entries()
                ->toBase()
                ->where('kind', 'loom')
                ->where('key', $key)
                ->selectRaw("definition->>'name' as name")
                ->value('name'),
            'skill' => Skill::tryFrom($key)?->words(),
            default => $stored->runs()->where('key', $key)->value('code'),
        };
        $name = is_string($name) ? $name : $key;

        return match ($kind) {
            'loom' => sprintf('loom %s', $name),
            'skill' => sprintf('whatever takes %s', lcfirst($name)),
            default => $name,
        };
    }
}
