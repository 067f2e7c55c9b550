<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/** What somebody has to be able to do; where none is named, everybody on the bench can. */
enum Skill: string
{
    case Solder = 'solder';
    case Crimp = 'crimp';
    case Category = 'category';
    case Coax = 'coax';
    /** Licensed for it under local code: nobody else confirms it. */
    case Mains = 'mains';

    public function words(): string
    {
        return match ($this) {
            self::Solder => 'solder',
            self::Crimp => 'crimp contacts',
            self::Category => 'category cable',
            self::Coax => 'coax',
            self::Mains => 'mains, licensed',
        };
    }
}
