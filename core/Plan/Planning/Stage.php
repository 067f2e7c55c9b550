<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Given\Installation\Build;

/** A bead on a run's strand. */
enum Stage: string
{
    case Cut = 'cut';
    case EndA = 'end-a';
    case EndB = 'end-b';
    case Look = 'look';
    case Label = 'label';
    case Pull = 'pull';
    case Test = 'test';
    case InPlace = 'in-place';
    case Signed = 'signed';

    /** @return list<self> in the order of the work */
    public static function for(Build $build): array
    {
        return match ($build) {
            Build::Shop => [
                self::Cut,
                self::EndA,
                self::EndB,
                self::Look,
                self::Label,
                self::Test,
                self::InPlace,
                self::Signed,
            ],
            Build::Site => [
                self::Cut,
                self::Label,
                self::Pull,
                self::EndA,
                self::EndB,
                self::Look,
                self::Test,
                self::Signed,
            ],
            Build::Found => [self::Look, self::Label, self::Test, self::InPlace, self::Signed],
            Build::Lead => [self::Cut, self::EndA, self::EndB, self::Look, self::Label, self::Test, self::Signed],
        };
    }
}
