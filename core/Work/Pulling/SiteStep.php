<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Pulling;

use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\EventKind;

/** What is confirmed of a run on site, in the order in which it is done. */
enum SiteStep: string
{
    case PaidOut = 'paid-out';
    case Labelled = 'labelled';
    case Pulled = 'pulled';
    case Dressed = 'dressed';
    case Trimmed = 'trimmed';
    case EndA = 'end-a';
    case EndB = 'end-b';
    case InPlace = 'in-place';
    case Tested = 'tested';

    /** @return list<self> */
    public static function for(Build $build): array
    {
        return match ($build) {
            Build::Shop => [self::Pulled, self::Dressed, self::InPlace, self::Tested],
            Build::Found => [self::InPlace, self::Tested],
            Build::Lead => [],
            Build::Site => [
                self::PaidOut,
                self::Labelled,
                self::Pulled,
                self::Dressed,
                self::Trimmed,
                self::EndA,
                self::EndB,
                self::Tested,
            ],
        };
    }

    public function event(): EventKind
    {
        return match ($this) {
            self::PaidOut => EventKind::Cut,
            self::Labelled => EventKind::Labelled,
            self::Pulled => EventKind::Pulled,
            self::Dressed => EventKind::Dressed,
            self::Trimmed => EventKind::Trimmed,
            self::EndA, self::EndB => EventKind::Joined,
            self::InPlace => EventKind::Installed,
            self::Tested => EventKind::Tested,
        };
    }

    public function side(): ?Side
    {
        return match ($this) {
            self::EndA => Side::A,
            self::EndB => Side::B,
            default => null,
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::PaidOut => 'cut, paid out long',
            self::Labelled => 'labelled',
            self::Pulled => 'pulled',
            self::Dressed => 'dressed',
            self::Trimmed => 'trimmed',
            self::EndA => 'end A made',
            self::EndB => 'end B made',
            self::InPlace => 'plugged in, in place',
            self::Tested => 'tested in place',
        };
    }

    /** What somebody says who confirms it. */
    public function said(): string
    {
        return match ($this) {
            self::PaidOut => 'It is cut',
            self::Labelled => 'It is labelled',
            self::Pulled => 'It is pulled',
            self::Dressed => 'It is dressed',
            self::Trimmed => 'It is trimmed',
            self::EndA => 'End A is made',
            self::EndB => 'End B is made',
            self::InPlace => 'It is plugged in',
            self::Tested => 'Test it',
        };
    }
}
