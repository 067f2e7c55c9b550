<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Items;
use App\Contract\Shape;
use Sartal\Core\Later\Telling\NoticeKind;

/** What somebody wants to be told, and how. */
final readonly class OwnNotices implements Shape
{
    /**
     * @param  list<NoticeKind>  $muted  kinds that they do not want to hear of
     * @param  bool  $digest  whether what is unread comes by mail, once a day
     */
    public function __construct(#[Items(max: 20)] public array $muted, public bool $digest)
    {
    }
}
