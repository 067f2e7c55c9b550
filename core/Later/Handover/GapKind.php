<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Handover;

/** What stands between an installation and its hand-over, the gravest first. */
enum GapKind: string
{
    case Failed = 'failed';
    case Overtaken = 'overtaken';
    case Contradiction = 'contradiction';
    case Stop = 'stop';
    case NotMade = 'not-made';
    case ForLater = 'for-later';
    case NotLooked = 'not-looked-over';
    case NotLabelled = 'not-labelled';
    case NotInPlace = 'not-in-place';
    case Untested = 'untested';
    case UntestedInPlace = 'untested-in-place';
    case Licence = 'licence';
    case Calibration = 'calibration';
    case OwnWork = 'own-work';
    case Question = 'question';
    case Held = 'held';
    case Service = 'service';
    case Unreleased = 'unreleased';

    public function words(): string
    {
        return match ($this) {
            self::Failed => 'failed its test',
            self::Overtaken => 'overtaken by a change',
            self::Contradiction => 'two results that contradict',
            self::Stop => 'stopped by the plan',
            self::NotMade => 'not made',
            self::ForLater => 'an end is left for later',
            self::NotLooked => 'found, and not looked over',
            self::NotLabelled => 'not labelled',
            self::NotInPlace => 'not in place',
            self::Untested => 'not tested',
            self::UntestedInPlace => 'not tested in place',
            self::Licence => 'tested without a licence for mains',
            self::Calibration => 'tested with an instrument out of calibration',
            self::OwnWork => 'tested by who made it',
            self::Question => 'a question without an answer',
            self::Held => 'stopped at the bench',
            self::Service => 'a fault in service is open',
            self::Unreleased => 'changes are not released',
        };
    }
}
