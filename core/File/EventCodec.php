<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;

/** An event of the record from and into its JSON shape (docs/formats.md). */
final class EventCodec
{
    /** A time as this product writes it: nothing is left to do about it. */
    private const WRITTEN = '~^(\d{4})-(\d\d)-(\d\d)T(?:[01]\d|2[0-3])(?::[0-5]\d){2}\.\d{6}Z$~';

    /** s; a clock that is further out is no clock. */
    private const DECADE = 315_360_000;

    private const UUID = '~^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$~';

    public static function decode(Fields $fields): Event
    {
        $id = strtolower($fields->name('id'));
        if (preg_match(self::UUID, $id) !== 1) {
            $fields->wrong('id', $id, 'should be a UUID.', null);
        }
        $kind = $fields->choice('kind', EventKind::class);
        $side = $fields->has('side') ? $fields->choice('side', Side::class) : null;
        // A step at the bench says by itself where it belongs.
        if ($kind->isOfAnEnd() && $side === null && ! $fields->has('step')) {
            $fields->wrong('side', null, 'should be A or B.', null);
        }

        return new Event(
            $id,
            $kind,
            $fields->name('run'),
            $side,
            Interned::text($fields->name('by')),
            self::time($fields, 'at'),
            self::time($fields, 'received'),
            $fields->text('fingerprint', ''),
            Interned::text($fields->text('instrument', '')),
            $fields->text('note', ''),
            $fields->text('step', ''),
            $fields->optionalNumber('took', 0.0, 86_400.0),
            ParticularsCodec::decode($fields, $kind),
            ParticularsCodec::strays($fields, $kind),
            self::on($fields),
            $fields->whole('skew', -self::DECADE, self::DECADE, 0),
            $fields->texts('with'),
        );
    }

    /** @return array<int|string, mixed> */
    public static function encode(Event $event): array
    {
        $says = [...ParticularsCodec::encode($event->says), ...$event->strays];
        $row = [];
        foreach (
            [
                'id' => $event->id,
                'kind' => $event->kind->value,
                'run' => $event->run,
                'side' => $event->side?->value,
                'by' => $event->by,
                'at' => $event->at,
                'received' => $event->received,
                'fingerprint' => $event->fingerprint,
                'instrument' => $event->instrument,
                'note' => $event->note,
                'reading' => null,
                'verdict' => null,
                'cut' => null,
                'step' => $event->step,
                'took' => $event->took === null ? null : CatalogueEncoder::plain($event->took),
            ] as $key => $value
        ) {
            $row[$key] = $value ?? ($says[$key] ?? null);
        }
        // The order of keys is the first version's: a file stays what it was, byte for byte.
        foreach (ParticularsCodec::LAST as $key) {
            $row[$key] = $says[$key] ?? null;
        }

        $row['skew'] = $event->skew === 0 ? null : $event->skew;
        $row['with'] = array_filter($event->with) === [] ? null : $event->with;

        return CatalogueEncoder::brief($row) + ($event->on === null ? [] : ['on' => $event->on]);
    }

    /** @return ?list<string> */
    private static function on(Fields $fields): ?array
    {
        if (! $fields->has('on')) {
            return null;
        }
        $ids = array_map(strtolower(...), $fields->texts('on'));
        foreach ($ids as $id) {
            if (preg_match(self::UUID, $id) !== 1) {
                return $fields->wrong('on', $id, 'should be UUIDs of records.', []);
            }
        }
        sort($ids, SORT_STRING);

        return array_values(array_unique($ids));
    }

    /** Kept to the microsecond in UTC, so that two files of one record are the same. */
    private static function time(Fields $fields, string $key): string
    {
        $text = $fields->name($key);
        if (preg_match(self::WRITTEN, $text, $m) === 1 && checkdate((int) $m[2], (int) $m[3], (int) $m[1])) {
            return $text;
        }
        if (
            preg_match('~^(\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d)(\.\d{1,6})?(Z|[+-]\d\d:\d\d)$~', $text, $m) !== 1 ||
            strtotime($text) === false
        ) {
            return $fields->wrong($key, $text, 'should be a date and time such as 2026-03-09T14:10:00Z.', '');
        }
        $micro = str_pad(substr($m[2], 1), 6, '0');

        return gmdate('Y-m-d\TH:i:s', (int) strtotime($m[1].$m[3])).'.'.$micro.'Z';
    }
}
