<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

/** What is done about overtaken work. A splice is none of them: no joint is hidden in the middle of a run. */
enum RemedyKind: string
{
    /** It still serves: somebody says so. */
    case Keep = 'keep';
    /** Service slack, then spare length, makes up for what is missing. */
    case Slack = 'slack';
    /** Pieces that are cut and not begun change places. */
    case Exchange = 'exchange';
    case Joints = 'joints';
    case Steps = 'steps';
    case End = 'end';
    case Label = 'label';
    case Look = 'look';
    case Place = 'place';
    case Test = 'test';
    case Sign = 'sign';
    /** The whole cable. */
    case Remake = 'remake';

    /** Somebody confirms it at a desk; the others are work that is done and recorded where it belongs. */
    public function isConfirmed(): bool
    {
        return $this === self::Keep || $this === self::Slack || $this === self::Exchange;
    }

    /** Goes back to the bench, where it is done again step by step. */
    public function isReopened(): bool
    {
        return in_array($this, [self::Joints, self::Steps, self::End, self::Remake], true);
    }
}
