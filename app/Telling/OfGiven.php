<?php

declare(strict_types=1);

namespace App\Telling;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Later\Telling\NoticeKind;
use Sartal\Core\Work\Bench\Skill;

/** Tells people what they were given to do, and what went to somebody else. */
final readonly class OfGiven
{
    /** How a cause begins where something was taken; else it was given. */
    private const TAKEN = 'taken ';

    public function __construct(private Teller $teller)
    {
    }

    /**
     * @param  int  $row  of the assignment
     * @param  list<string>  $was  keys of those who had it and no longer do
     */
    public function given(
        StoredInstallation $stored,
        User $by,
        string $person,
        int $row,
        string $kind,
        string $key,
        array $was,
    ): void {
        $what = self::name($stored, $kind, $key);
        $this->teller->tell(
            $stored,
            new Matter(
                NoticeKind::Given,
                'given '.$row,
                sprintf('gives you %s', $what),
                $kind === 'assembly' ? '/bench/'.$key : '/bench',
                by: $by,
            ),
            [$person],
        );
        foreach ($was === [] ? [] : [self::TAKEN.$row] as $cause) {
            $words = sprintf('gives %s to somebody else', $what);
            $this->teller->tell($stored, new Matter(NoticeKind::Given, $cause, $words, '/bench', by: $by), $was);
        }
    }

    /** Before it is taken from somebody. Whoever has not read yet that they have it need not read that they had. */
    public function taken(StoredInstallation $stored, User $by, int $row): void
    {
        $given = DB::table('assignments')
            ->join('users', 'users.id', '=', 'user_id')
            ->where('installation_id', $stored->id)
            ->where('assignments.id', $row)
            ->first(['kind', 'assignments.key', 'users.key as person']);
        if ($given === null) {
            return;
        }
        $notices = Teller::open($stored, NoticeKind::Given)->where('cause', 'given '.$row);
        $isUnread = $notices->clone()->whereNull('read_at')->exists();
        $this->teller->over($stored, NoticeKind::Given, ['given '.$row]);
        if (! $isUnread) {
            $words = sprintf('takes %s back', self::name($stored, (string) $given->kind, (string) $given->key));
            $this->teller->tell(
                $stored,
                new Matter(NoticeKind::Given, self::TAKEN.$row, $words, '/bench', by: $by),
                [(string) $given->person],
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
