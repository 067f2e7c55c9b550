<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\Proof\Record\Event;

/**
 * @property int $id
 * @property string $uuid
 * @property string $run
 * @property string $kind
 * @property string $step
 * @property int $user_id
 * @property ?string $sent digest of what came with its id, see {@see \App\Recording\Sent}
 * @property array<int|string, mixed> $definition in the shape of the file format
 */
final class StoredEvent extends Model
{
    /** Rows of one statement. */
    private const AT_ONCE = 500;

    public $timestamps = false;

    protected $table = 'events';

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = ['definition' => 'array'];

    /**
     * What rows say. By whom is each row's to say, not its definition's: earlier versions wrote a sign-in name there.
     *
     * @param  HasMany<self, StoredInstallation>  $rows
     * @return list<Event>
     */
    public static function read(StoredInstallation $installation, HasMany $rows, Problems $problems): array
    {
        $keys = DB::table('users')->where('organisation_id', $installation->organisation_id)->pluck('key', 'id');
        $events = [];
        foreach ($rows->toBase()->get(['uuid', 'user_id', 'definition']) as $row) {
            $fields = ['by' => $keys[$row->user_id]] + (array) json_decode($row->definition, true);
            $events[] = EventCodec::decode(Fields::from($fields, 'record.'.$row->uuid, $problems));
        }

        return $events;
    }

    /** Writes an event down once, whoever sends it again. @return bool whether it was new */
    public static function add(StoredInstallation $installation, User $by, Event $event, ?string $sent = null): bool
    {
        return self::query()->insertOrIgnore(self::row($installation, $by, $event, $sent)) > 0;
    }

    /**
     * Writes many down, all of which are new.
     *
     * @param  list<Event>  $events
     */
    public static function addAll(StoredInstallation $installation, User $by, array $events): void
    {
        foreach (array_chunk($events, self::AT_ONCE) as $some) {
            self::query()->insert(
                array_map(static fn (Event $event): array => self::row($installation, $by, $event), $some),
            );
        }
    }

    /** @return array<string, int|string|null> */
    private static function row(StoredInstallation $installation, User $by, Event $event, ?string $sent = null): array
    {
        return [
            'uuid' => $event->id,
            'installation_id' => $installation->id,
            'run' => $event->run,
            'kind' => $event->kind->value,
            'step' => $event->step,
            'user_id' => $by->id,
            'definition' => json_encode(EventCodec::encode($event), JSON_THROW_ON_ERROR),
            'created_at' => $event->received,
            'sent' => $sent,
        ];
    }

    /** Of something that follows from others: as it follows now. What it says of the plan stays as it was. */
    public static function derive(StoredInstallation $installation, Event $event): void
    {
        $by = User::query()
            ->where('organisation_id', $installation->organisation_id)
            ->where('key', $event->by)
            ->firstOrFail();
        if (! self::add($installation, $by, $event)) {
            $row = self::query()->where('installation_id', $installation->id)->where('uuid', $event->id)->firstOrFail();
            $row->update(['definition' => ['on' => $event->on] + $row->definition]);
        }
    }
}
