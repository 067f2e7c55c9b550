<?php

declare(strict_types=1);

namespace App\Telling;

use App\Models\Notice;
use App\Models\User;
use Sartal\Core\Later\Telling\NoticeKind;

/**
 * What somebody is told.
 *
 * @phpstan-import-type NoticeAbout from Notice
 */
final readonly class Matter
{
    /**
     * @param  string  $cause  of one kind a cause is told once
     * @param  string  $words  after the name of whoever did it, where somebody did
     * @param  string  $page  where one looks at it, below the installation's address
     * @param  string  $note  what was written
     * @param  ?User  $by  who did it; null: nobody, or several
     * @param  NoticeAbout  $about
     */
    public function __construct(
        public NoticeKind $kind,
        public string $cause,
        public string $words,
        public string $page,
        public string $note = '',
        public ?User $by = null,
        public array $about = [],
    ) {
    }
}
