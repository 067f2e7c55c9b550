<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Steps;

/** Single steps where they are: those of a few runs are read, and of all of them who took any. */
final class StoredSteps implements Steps
{
    /** @var ?array<int|string, array{hands: list<string>, makers: list<string>, steps: list<string>}> by run */
    private ?array $known = null;

    /** Runs that are read ahead at the most. */
    private const AHEAD = 64;

    /** @var array<array-key, true> runs whose events are at hand */
    private array $held = [];

    /** @var list<Event> of those, as they came */
    private array $events = [];

    /** @var array<array-key, true> runs that somebody has been told of already */
    private array $told = [];

    private int $ahead = 0;

    /** @param  ?list<string>  $runs  about which somebody may ask; null: all */
    public function __construct(private readonly StoredInstallation $stored, private readonly ?array $runs = null)
    {
    }

    /** Whoever asks again and again is soon told from what was read together: as often twice as many runs as before. */
    public function with(array $runs): array
    {
        $asked = array_fill_keys($runs, true);
        if (array_diff_key($asked, $this->held) !== []) {
            $left = array_diff_key(array_fill_keys($this->runs ?? [], true), $this->told, $asked);
            $this->held = $asked + array_slice($left, 0, $this->ahead, true);
            $this->ahead = min(self::AHEAD, max(1, 2 * $this->ahead));
            $this->events = Touched::events($this->stored, array_map(strval(...), array_keys($this->held)));
        }
        $this->told += $asked;

        return array_values(array_filter(
            $this->events,
            static fn (Event $event): bool => isset($asked[$event->run]) ||
                array_intersect_key(array_flip($event->covers()), $asked) !== [],
        ));
    }

    public function hands(string $run): array
    {
        return $this->known()[$run]['hands'] ?? [];
    }

    public function makers(string $run): array
    {
        return $this->known()[$run]['makers'] ?? [];
    }

    public function outermost(string $run): array
    {
        return $this->known()[$run]['steps'] ?? [];
    }

    /** @return array<int|string, array{hands: list<string>, makers: list<string>, steps: list<string>}> by run */
    private function known(): array
    {
        if ($this->known !== null) {
            return $this->known;
        }
        $rows = DB::table('events')
            ->join('users', 'users.id', '=', 'user_id')
            ->where('installation_id', $this->stored->id)
            ->where('step', '<>', '')
            ->whereIn('kind', Recorded::apart())
            ->when($this->runs !== null, fn ($rows) => $rows->whereIn('run', $this->runs ?? []))
            ->groupBy('run', 'key')
            ->orderBy('run')
            ->orderBy('key')
            ->selectRaw('run, key, bool_or(events.kind = ?) as made, min(step) as first, max(step) as last', [
                EventKind::ContactJoined->value,
            ]);
        $this->known = [];
        foreach ($rows->get() as $row) {
            $of = $this->known[$row->run] ?? ['hands' => [], 'makers' => [], 'steps' => []];
            $of['hands'][] = (string) $row->key;
            array_push($of['makers'], ...$row->made ? [(string) $row->key] : []);
            array_push($of['steps'], (string) $row->first, (string) $row->last);
            $of['steps'] = array_values(array_unique($of['steps']));
            $this->known[$row->run] = $of;
        }

        return $this->known;
    }
}
