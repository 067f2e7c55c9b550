<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Which kind of event says what. */
final class ParticularsOf
{
    /** @return ?class-string<Particulars> null where events of this kind say nothing besides */
    public static function kind(EventKind $kind): ?string
    {
        return match ($kind) {
            EventKind::Cut => CutNoted::class,
            EventKind::ContactJoined, EventKind::Joined, EventKind::Remade => EndMade::class,
            EventKind::Pulled, EventKind::Dressed, EventKind::Trimmed, EventKind::Installed => AsBuilt::class,
            EventKind::Tested => TestTaken::class,
            EventKind::Settled => TestSettled::class,
            EventKind::Asked => Asking::class,
            EventKind::Lifted, EventKind::Answered, EventKind::Repaired => Reply::class,
            EventKind::Flagged => Flagged::class,
            EventKind::TakenBack => TakenBack::class,
            EventKind::Reworked => SentBack::class,
            EventKind::Inspected => LookedOver::class,
            EventKind::Pictured => Photo::class,
            default => null,
        };
    }
}
