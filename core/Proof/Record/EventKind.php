<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

enum EventKind: string
{
    case Cut = 'cut';
    case SlidOn = 'slid-on';
    case Prepared = 'prepared';
    case ContactJoined = 'contact-joined';
    case Joined = 'joined';
    case Flagged = 'flagged';
    case Skipped = 'skipped';
    case Inspected = 'inspected';
    case Closed = 'closed';
    case Labelled = 'labelled';
    case Pulled = 'pulled';
    case Dressed = 'dressed';
    case Trimmed = 'trimmed';
    case Tested = 'tested';
    case Installed = 'installed';
    case Remade = 'remade';
    case SignedOff = 'signed-off';
    case Withdrawn = 'withdrawn';
    case TakenBack = 'taken-back';
    case Reworked = 'reworked';
    case Paused = 'paused';
    case Resumed = 'resumed';
    case Held = 'held';
    case Lifted = 'lifted';
    case Asked = 'asked';
    case Answered = 'answered';
    case Pictured = 'pictured';
    case Settled = 'settled';
    case Reported = 'reported';
    case Repaired = 'repaired';

    /** Confirms that something was done. */
    public function isDone(): bool
    {
        return match ($this) {
            self::Cut,
            self::SlidOn,
            self::Prepared,
            self::ContactJoined,
            self::Inspected,
            self::Closed,
            self::Labelled,
            self::Pulled => true,
            default => false,
        };
    }

    /** Recorded where work is guided, never by itself. */
    public function isOfTheBench(): bool
    {
        return in_array(
            $this,
            [
                self::TakenBack,
                self::Reworked,
                self::Paused,
                self::Resumed,
                self::Held,
                self::Lifted,
                self::Asked,
                self::Answered,
                self::Pictured,
                self::Flagged,
                self::Skipped,
            ],
            true,
        );
    }

    /** Speaks of another event, which it settles or shows. */
    public function isReply(): bool
    {
        return in_array($this, [self::Lifted, self::Answered, self::Settled, self::Repaired], true);
    }

    /** Speaks of one end of a run, not of the whole. */
    public function isOfAnEnd(): bool
    {
        return match ($this) {
            self::SlidOn, self::Prepared, self::ContactJoined, self::Joined, self::Closed, self::Remade => true,
            default => false,
        };
    }

    /**
     * Of a single step it speaks of that step to its own job and to nobody else: most of a record is of this kind.
     *
     * @return list<self>
     */
    public static function ofSteps(): array
    {
        return [
            self::SlidOn,
            self::Prepared,
            self::ContactJoined,
            self::Closed,
            self::Inspected,
            self::Labelled,
            self::Paused,
            self::Resumed,
        ];
    }
}
