<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Sartal\Core\File\Problems;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;

/** Database → Record. */
final class Recorded
{
    /** Ids in one query. */
    private const TOGETHER = 5_000;

    /** Kinds by which stock, or what is to be had, is another. */
    public const OF_STOCK = ['cut', 'taken-back', 'reworked'];

    /** Everything, single steps too. */
    public static function whole(StoredInstallation $stored): Record
    {
        return new Record(self::read($stored, $stored->events()));
    }

    /**
     * What matters to more than its own job. Single steps that something among it was done on come along, for the order
     * follows from them; the others are where somebody asks for them.
     *
     * @param  ?list<string>  $runs  about which it is; null: all
     */
    public static function milestones(StoredInstallation $stored, ?array $runs = null): Record
    {
        $rows = $runs === null ? $stored->events() : Touched::rowsOf($stored, $runs);
        $rows->where(static function ($row): void {
            $row->where('step', '')->orWhereNotIn('kind', self::apart());
        });

        return new Record(
            static fn (): array => Uncollected::run(static fn (): array => self::withCauses($stored, $rows)),
            new StoredSteps($stored, $runs),
        );
    }

    /** By which stock, or what is to be had, is another; with what that was done on, for the order follows from it. */
    public static function stock(StoredInstallation $stored): Record
    {
        $rows = $stored->events();
        $rows->whereIn('kind', self::OF_STOCK);

        return new Record(self::withCauses($stored, $rows));
    }

    /**
     * @param  HasMany<StoredEvent, StoredInstallation>  $rows
     * @return array<int|string, Event> them and what they were done on, by id
     */
    private static function withCauses(StoredInstallation $stored, HasMany $rows): array
    {
        $known = [];
        $found = self::read($stored, $rows);
        while ($found !== []) {
            $named = [];
            foreach ($found as $event) {
                $known[$event->id] = $event;
                foreach ($event->on ?? [] as $id) {
                    $named[$id] = $id;
                }
            }
            $found = [];
            foreach (array_chunk(array_diff_key($named, $known), self::TOGETHER) as $ids) {
                $causes = $stored->events();
                $causes->whereIn('uuid', $ids);
                array_push($found, ...self::read($stored, $causes));
            }
        }

        return $known;
    }

    /** @return list<string> kinds of which single steps are kept apart */
    public static function apart(): array
    {
        return array_map(static fn (EventKind $kind): string => $kind->value, EventKind::ofSteps());
    }

    /**
     * @param  HasMany<StoredEvent, StoredInstallation>  $rows
     * @return list<Event>
     */
    public static function read(StoredInstallation $stored, HasMany $rows): array
    {
        $problems = new Problems();
        $events = StoredEvent::read($stored, $rows, $problems);
        $problems->settle();

        return $events;
    }
}
