<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Proof\Record\AsBuilt;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Flag;
use Sartal\Core\Proof\Testing\Verdict;

/** An event of the record from and into its JSON shape (docs/formats.md). */
final class EventCodec
{
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
            $fields->name('by'),
            self::time($fields, 'at'),
            self::time($fields, 'received'),
            $fields->text('fingerprint', ''),
            $fields->text('instrument', ''),
            $fields->text('note', ''),
            $fields->has('reading') ? ReadingCodec::decode($fields->child('reading')) : null,
            $fields->has('verdict') ? $fields->choice('verdict', Verdict::class) : null,
            $fields->has('cut') ? self::cut($fields->child('cut')) : null,
            $fields->text('step', ''),
            $fields->optionalNumber('took', 0.0, 86_400.0),
            $fields->text('of', ''),
            $fields->has('flag') ? $fields->choice('flag', Flag::class) : null,
            $fields->texts('reopens'),
            self::scraps($fields),
            $fields->has('undoes') ? $fields->choice('undoes', EventKind::class) : null,
            $fields->text('picture', ''),
            $fields->has('stage') ? $fields->choice('stage', TestStage::class) : null,
            $fields->texts('joints'),
            $fields->has('built') ? self::built($fields->child('built')) : null,
            $fields->textMap('flaws'),
            $fields->texts('covers'),
        );
    }

    /** @return array<int|string, int> */
    private static function scraps(Fields $fields): array
    {
        $scraps = [];
        foreach ($fields->has('scraps') ? $fields->entries('scraps') : [] as $part => $count) {
            if (! is_int($count) || $count < 1) {
                $fields->wrong('scraps.'.$part, $count, 'should be a whole number from 1.', null);

                continue;
            }
            $scraps[(string) $part] = $count;
        }

        return $scraps;
    }

    private static function cut(Fields $fields): CutMade
    {
        $length = $fields->length('length', Length::metres(10_000));
        if ($length->isZero()) {
            $fields->wrong('length', '0', 'must be longer than nothing: say how long the piece is.', null);
        }
        $made = new CutMade(
            $length,
            $fields->optionalText('reel'),
            $fields->optionalNumber('from', -1e6, 1e6),
            $fields->optionalNumber('to', -1e6, 1e6),
            $fields->text('cable', ''),
            $fields->flag('planned', false),
        );
        $fields->done();

        return $made;
    }

    private static function built(Fields $fields): AsBuilt
    {
        $length = $fields->has('length') ? $fields->length('length', Length::metres(10_000)) : null;
        $built = new AsBuilt($length, $fields->has('ways') ? $fields->texts('ways') : null);
        $fields->done();

        return $built;
    }

    /** @return array<int|string, mixed> */
    public static function encode(Event $event): array
    {
        return CatalogueEncoder::brief([
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
            'reading' => $event->reading === null ? null : ReadingCodec::encode($event->reading),
            'verdict' => $event->verdict?->value,
            'cut' => $event->cut === null ? null : self::encodeCut($event->cut),
            'step' => $event->step,
            'took' => $event->took === null ? null : CatalogueEncoder::plain($event->took),
            'of' => $event->of,
            'flag' => $event->flag?->value,
            'reopens' => $event->reopens,
            'scraps' => $event->scraps === [] ? null : (object) $event->scraps,
            'undoes' => $event->undoes?->value,
            'picture' => $event->picture,
            'stage' => $event->stage?->value,
            'joints' => $event->joints,
            'built' => $event->built === null
                    ? null
                    : (object) CatalogueEncoder::brief([
                        'length' => $event->built->length?->canonical(),
                        'ways' => $event->built->ways,
                    ]),
            'covers' => $event->covers,
            'flaws' => $event->flaws === [] ? null : (object) $event->flaws,
        ]);
    }

    /** @return array<int|string, mixed> */
    private static function encodeCut(CutMade $cut): array
    {
        return CatalogueEncoder::brief([
            'reel' => $cut->reel,
            'length' => $cut->length->canonical(),
            'from' => $cut->from === null ? null : CatalogueEncoder::plain($cut->from),
            'to' => $cut->to === null ? null : CatalogueEncoder::plain($cut->to),
            'cable' => $cut->cable,
            'planned' => $cut->planned ? true : null,
        ]);
    }

    /** Kept to the microsecond in UTC, so that two files of one record are the same. */
    private static function time(Fields $fields, string $key): string
    {
        $text = $fields->name($key);
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
