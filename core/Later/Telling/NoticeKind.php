<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Telling;

/** As what something concerns a person who did not do it. */
enum NoticeKind: string
{
    case Given = 'given';
    case Asked = 'asked';
    case Answered = 'answered';
    case Held = 'held';
    case Overtaken = 'overtaken';
    case SentBack = 'sent-back';
    case Contradicted = 'contradicted';
    case Calibration = 'calibration';

    /** What they are together. */
    public function words(): string
    {
        return match ($this) {
            self::Given => 'Work given to me or taken from me',
            self::Asked => 'Questions that I can answer',
            self::Answered => 'Answers to my questions',
            self::Held => 'Jobs that are stopped or go on',
            self::Overtaken => 'Work of mine that a change has overtaken',
            self::SentBack => 'Work of mine that comes back to be put right',
            self::Contradicted => 'Tests of mine that another test contradicts',
            self::Calibration => 'Instruments of mine whose calibration ends',
        };
    }
}
