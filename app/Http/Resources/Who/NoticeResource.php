<?php

declare(strict_types=1);

namespace App\Http\Resources\Who;

use App\Models\Notice;
use Sartal\Core\Later\Telling\NoticeKind;

/**
 * @phpstan-type NoticeShown array{
 *     id: int,
 *     kind: value-of<NoticeKind>,
 *     by: string,
 *     words: string,
 *     note: string,
 *     page: string,
 *     on: string|null,
 *     at: string,
 *     read: bool,
 *     over: bool,
 * }
 */
final class NoticeResource
{
    /** @return NoticeShown */
    public static function of(Notice $notice): array
    {
        return [
            'id' => $notice->id,
            'kind' => $notice->kind->value,
            'by' => $notice->by->name ?? '',
            'words' => $notice->words,
            'note' => $notice->note,
            'page' => $notice->page,
            'on' => $notice->about['on'] ?? null,
            'at' => $notice->created_at->utc()->format('Y-m-d\TH:i:s\Z'),
            'read' => $notice->read_at !== null,
            'over' => $notice->over_at !== null,
        ];
    }
}
