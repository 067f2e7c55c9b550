<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

/** Why two records of one step do not go together. */
enum Dispute: string
{
    /** Somebody did it who did not know that it was done. */
    case Twice = 'twice';

    /** It was done by somebody who did not know that it had been gone back to. */
    case Unaware = 'unaware';

    /** It was done while the job was stopped, by somebody who did not know that. */
    case Stopped = 'stopped';

    /** It was taken back by somebody who did not know what had been done on top of it. */
    case Beneath = 'beneath';

    public function words(): string
    {
        return match ($this) {
            self::Twice => 'Two people say that they did this, and neither knew of the other.',
            self::Unaware => 'It was recorded as done by somebody who did not know that it had been sent back.',
            self::Stopped => 'It was done while the job was stopped, by somebody who did not know that.',
            self::Beneath => 'It was taken back by somebody who did not know what had been done on top of it.',
        };
    }
}
