<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** What a part or consumable is for. */
enum PartKind: string
{
    case Boot = 'boot';
    case Breakout = 'breakout';
    case Nut = 'nut';
    case Shell = 'shell';
    case Hood = 'hood';
    case Chuck = 'chuck';
    case Ferrule = 'ferrule';
    case WireFerrule = 'wire-ferrule';
    case Contact = 'contact';
    case Shrink = 'shrink';
    case Sleeve = 'sleeve';
    case Label = 'label';
    case Tie = 'tie';
    case Solder = 'solder';
    case Hardware = 'hardware';
    case Terminator = 'terminator';
    case Lead = 'lead';

    /** Chosen by size from whatever there is, and named by nothing. */
    public function isChosenFromAll(): bool
    {
        return in_array(
            $this,
            [self::Shrink, self::Sleeve, self::Label, self::Tie, self::Solder, self::WireFerrule],
            true,
        );
    }

    /** Legs into one connector share it; of the rest each has its own. */
    public function isOnePerConnector(): bool
    {
        return in_array($this, [self::Hood, self::Shell, self::Nut], true);
    }
}
