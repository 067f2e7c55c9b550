<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Proof\Record\AsBuilt;
use Sartal\Core\Proof\Record\Asking;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Proof\Record\CutNoted;
use Sartal\Core\Proof\Record\EndMade;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Flag;
use Sartal\Core\Proof\Record\Flagged;
use Sartal\Core\Proof\Record\LookedOver;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\ParticularsOf;
use Sartal\Core\Proof\Record\Photo;
use Sartal\Core\Proof\Record\Reply;
use Sartal\Core\Proof\Record\SentBack;
use Sartal\Core\Proof\Record\TakenBack;
use Sartal\Core\Proof\Record\TestSettled;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * What an event of its kind says, from and into the fields that stand beside
 * those of every event. The first version took each field with every kind:
 * what a kind does not say is a stray, which the file keeps.
 */
final class ParticularsCodec
{
    /** Fields at the end of an event, in the order in which a file has them. */
    public const LAST = [
        'of',
        'flag',
        'reopens',
        'scraps',
        'undoes',
        'picture',
        'stage',
        'joints',
        'built',
        'covers',
        'rests',
        'flaws',
        'asks',
    ];

    private const ALL = ['reading', 'verdict', 'cut', ...self::LAST];

    public static function decode(Fields $fields, EventKind $kind): ?Particulars
    {
        $said = array_filter(self::fields($kind), $fields->has(...)) !== [];

        return match ($said ? ParticularsOf::kind($kind) : null) {
            CutNoted::class => new CutNoted(self::cut($fields), $fields->text('of', '')),
            EndMade::class => new EndMade($fields->texts('joints')),
            AsBuilt::class => self::built($fields->child('built')),
            TestTaken::class => new TestTaken(
                $fields->has('reading') ? ReadingCodec::decode($fields->child('reading')) : null,
                $fields->has('verdict') ? $fields->choice('verdict', Verdict::class) : null,
                self::stage($fields),
                $fields->texts('covers'),
                $fields->texts('rests'),
            ),
            TestSettled::class => new TestSettled(
                $fields->text('of', ''),
                self::stage($fields),
                $fields->texts('covers'),
            ),
            Reply::class => new Reply($fields->text('of', '')),
            Flagged::class => new Flagged($fields->choice('flag', Flag::class)),
            TakenBack::class => new TakenBack($fields->choice('undoes', EventKind::class)),
            SentBack::class => new SentBack(
                $fields->texts('reopens'),
                self::scraps($fields),
                $fields->textMap('flaws'),
                $fields->text('of', ''),
            ),
            LookedOver::class => new LookedOver($fields->textMap('flaws')),
            Photo::class => new Photo($fields->text('picture', '')),
            Asking::class => new Asking(array_map(Interned::text(...), $fields->texts('asks'))),
            default => null,
        };
    }

    /** @return array<string, mixed> field → what it says, as the file has it */
    public static function strays(Fields $fields, EventKind $kind): array
    {
        $strays = [];
        foreach (array_diff(self::ALL, self::fields($kind)) as $key) {
            if ($fields->has($key)) {
                // Read as the kind does that says it, so that nothing gets in this way that would not otherwise.
                $strays[$key] = match ($key) {
                    'of', 'picture' => $fields->text($key),
                    'reading' => ReadingCodec::encode(ReadingCodec::decode($fields->child($key))),
                    'verdict' => $fields->choice($key, Verdict::class)->value,
                    'stage' => $fields->choice($key, TestStage::class)->value,
                    'flag' => $fields->choice($key, Flag::class)->value,
                    'undoes' => $fields->choice($key, EventKind::class)->value,
                    'cut' => self::encode(new CutNoted(self::cut($fields)))[$key],
                    'built' => self::encode(self::built($fields->child($key)))[$key],
                    'reopens', 'joints', 'covers', 'rests', 'asks' => $fields->texts($key),
                    'scraps' => self::object(self::scraps($fields)),
                    'flaws' => self::object($fields->textMap($key)),
                };
            }
        }

        return $strays;
    }

    /** @return array<string, mixed> field → what it says; null, "" and nothing where it says nothing */
    public static function encode(?Particulars $says): array
    {
        return match (true) {
            $says instanceof CutNoted => [
                'cut' => $says->piece === null ? null : self::encodeCut($says->piece),
                'of' => $says->made,
            ],
            $says instanceof EndMade => ['joints' => $says->joints],
            $says instanceof AsBuilt => [
                'built' => (object) CatalogueEncoder::brief([
                    'length' => $says->length?->canonical(),
                    'ways' => $says->ways,
                ]),
            ],
            $says instanceof TestTaken => [
                'reading' => $says->reading === null ? null : ReadingCodec::encode($says->reading),
                'verdict' => $says->verdict?->value,
                'stage' => $says->stage?->value,
                'covers' => $says->covers,
                'rests' => $says->rests,
            ],
            $says instanceof TestSettled => [
                'of' => $says->holds,
                'stage' => $says->stage?->value,
                'covers' => $says->covers,
            ],
            $says instanceof Reply => ['of' => $says->to],
            $says instanceof Flagged => ['flag' => $says->flag->value],
            $says instanceof TakenBack => ['undoes' => $says->kind->value],
            $says instanceof SentBack => [
                'reopens' => $says->reopens,
                'scraps' => self::object($says->scraps),
                'flaws' => self::object($says->flaws),
                'of' => $says->test,
            ],
            $says instanceof LookedOver => ['flaws' => self::object($says->flaws)],
            $says instanceof Photo => ['picture' => $says->picture],
            $says instanceof Asking => ['asks' => $says->people],
            default => [],
        };
    }

    /** @return list<string> fields that a kind says itself by */
    private static function fields(EventKind $kind): array
    {
        return match (ParticularsOf::kind($kind)) {
            CutNoted::class => ['cut', 'of'],
            EndMade::class => ['joints'],
            AsBuilt::class => ['built'],
            TestTaken::class => ['reading', 'verdict', 'stage', 'covers', 'rests'],
            TestSettled::class => ['of', 'stage', 'covers'],
            Reply::class => ['of'],
            Flagged::class => ['flag'],
            TakenBack::class => ['undoes'],
            SentBack::class => ['reopens', 'scraps', 'flaws', 'of'],
            LookedOver::class => ['flaws'],
            Photo::class => ['picture'],
            Asking::class => ['asks'],
            default => [],
        };
    }

    private static function stage(Fields $fields): ?TestStage
    {
        return $fields->has('stage') ? $fields->choice('stage', TestStage::class) : null;
    }

    private static function cut(Fields $of): ?CutMade
    {
        if (! $of->has('cut')) {
            return null;
        }
        $fields = $of->child('cut');
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

    /** @param  array<int|string, mixed>  $map */
    private static function object(array $map): ?object
    {
        return $map === [] ? null : (object) $map;
    }
}
