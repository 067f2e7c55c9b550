<?php

declare(strict_types=1);

namespace App\Telling;

use App\Bench\Given;
use App\Models\Membership;
use App\Models\Role;
use App\Models\StoredInstallation;
use App\Models\StoredRun;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Later\Telling\Concerned;
use Sartal\Core\Later\Telling\NoticeKind;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Testing\Verdict;

/** Tells whom a record concerns, as it is written down. */
final readonly class OfRecord
{
    private const ABOUT = [EventKind::Tested, EventKind::Settled];

    public function __construct(private Teller $teller, private Given $given)
    {
    }

    /**
     * @param  list<string>  $runs  of the assembly
     * @param  list<Event>  $before  what was recorded on it before, in order
     */
    public function tell(
        StoredInstallation $stored,
        User $by,
        Event $event,
        string $assembly,
        array $runs,
        array $before,
    ): void {
        foreach (self::over($event) as $kind) {
            $this->teller->over($stored, $kind, Concerned::over($event, $before));
        }
        $told = [];
        foreach ($this->concerned($stored, $runs)->by($event, $before) as $person => $kind) {
            $told[$kind->value][] = (string) $person;
        }
        foreach ($told as $kind => $people) {
            $kind = NoticeKind::from($kind);
            $this->teller->tell(
                $stored,
                new Matter(
                    $kind,
                    $event->id,
                    self::words($event, self::code($stored, $runs)),
                    sprintf('/%s/%s', in_array($event->kind, self::ABOUT, true) ? 'test' : 'bench', $assembly),
                    $event->note,
                    $by,
                ),
                $people,
            );
        }
    }

    /** @param  list<string>  $runs  of the assembly */
    private function concerned(StoredInstallation $stored, array $runs): Concerned
    {
        $crew = array_values($stored->atWork()->get()->all());
        $with = static fn (Role ...$roles): array => array_values(
            array_map(
                static fn (Membership $member): string => $member->user->key,
                array_filter($crew, static fn (Membership $member): bool => $member->hasRole(...$roles)),
            ),
        );

        return new Concerned($with(Role::Planner, Role::Lead), $with(Role::Lead), $this->given->with($stored, $runs));
    }

    /** @return list<NoticeKind> of which something is over */
    private static function over(Event $event): array
    {
        return match ($event->kind) {
            EventKind::Answered => [NoticeKind::Asked],
            EventKind::Lifted => [NoticeKind::Held],
            EventKind::Settled => [NoticeKind::Contradicted],
            default => [],
        };
    }

    private static function words(Event $event, string $code): string
    {
        return match ($event->kind) {
            EventKind::Asked => sprintf('asks about %s', $code),
            EventKind::Answered => sprintf('has answered your question about %s', $code),
            EventKind::Held => sprintf('has stopped %s', $code),
            EventKind::Lifted => sprintf('lets %s go on', $code),
            EventKind::Reworked => sprintf('sends %s back to be put right', $code),
            EventKind::Tested => sprintf(
                $event->verdict() === Verdict::Fails
                    ? 'tested %s, and it fails: by your test it passed'
                    : 'tested %s, and it passes: by your test it failed',
                $code,
            ),
            EventKind::Settled => sprintf('lets another test of %s count than yours', $code),
            default => $code,
        };
    }

    /** @param  list<string>  $runs */
    private static function code(StoredInstallation $stored, array $runs): string
    {
        $codes = DB::table((new StoredRun())->getTable())
            ->where('installation_id', $stored->id)
            ->whereIn('key', $runs)
            ->where('withdrawn', false)
            ->orderBy('code')
            ->pluck('code')
            ->all();

        return Some::of(array_values(array_filter($codes, is_string(...))));
    }
}
