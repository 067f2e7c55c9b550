<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Proof\Record\EventKind;

/** Something that is done at the bench, in the order in which an end usually sees it. */
enum Task: string
{
    case Cut = 'cut';
    case Mark = 'mark';
    case Pull = 'pull';
    case Cover = 'cover';
    case SlideOn = 'slide-on';
    case Gate = 'gate';
    case Measure = 'measure';
    case Strip = 'strip';
    case Dress = 'dress';
    case Tin = 'tin';
    case Crimp = 'crimp';
    case Join = 'join';
    case Fit = 'fit';
    case Tug = 'tug';
    case Inspect = 'inspect';
    case Close = 'close';
    case Shrink = 'shrink';
    case Label = 'label';
    case Test = 'test';

    /**
     * What is written down when it is confirmed. That a run is cut or pulled follows, as an end's being made does
     * ({@see Milestone}).
     */
    public function event(): EventKind
    {
        return match ($this) {
            self::Cover, self::SlideOn => EventKind::SlidOn,
            self::Cut,
            self::Mark,
            self::Pull,
            self::Gate,
            self::Measure,
            self::Strip,
            self::Dress,
            self::Tin,
            self::Crimp,
            self::Fit => EventKind::Prepared,
            self::Join => EventKind::ContactJoined,
            self::Tug, self::Inspect => EventKind::Inspected,
            self::Close, self::Shrink => EventKind::Closed,
            self::Label => EventKind::Labelled,
            self::Test => EventKind::Tested,
        };
    }

    /** Before anything is joined: with both ends prepared first, it is done to both. */
    public function isPreparation(): bool
    {
        return in_array(
            $this,
            [
                self::Cover,
                self::SlideOn,
                self::Gate,
                self::Measure,
                self::Strip,
                self::Dress,
                self::Tin,
                self::Crimp,
            ],
            true,
        );
    }

    /** Forgotten, it costs the end: it is not passed over without a reason. */
    public function isUnforgiving(): bool
    {
        return $this === self::SlideOn || $this === self::Cover;
    }

    public function words(): string
    {
        return match ($this) {
            self::Cut => 'Cut',
            self::Mark => 'Mark',
            self::Pull => 'Pull',
            self::Cover => 'Thread through',
            self::SlideOn => 'Slide on',
            self::Gate => 'All on the cable',
            self::Measure => 'Measure',
            self::Strip => 'Strip',
            self::Dress => 'Dress',
            self::Tin => 'Tin',
            self::Crimp => 'Crimp',
            self::Join => 'Join',
            self::Fit => 'Fit',
            self::Tug => 'Tug',
            self::Inspect => 'Inspect',
            self::Close => 'Close',
            self::Shrink => 'Shrink',
            self::Label => 'Label',
            self::Test => 'Test',
        };
    }
}
