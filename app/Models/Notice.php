<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Sartal\Core\Later\Telling\NoticeKind;

/**
 * Something that one person was told.
 *
 * @phpstan-type NoticeAbout array{
 *     on?: string,
 *     work?: list<array{run: string, stage: string, event: string}>,
 * }
 *
 * @property int $id
 * @property int $installation_id
 * @property int $user_id whom it concerns
 * @property ?int $by_id who did what it tells of; null: nobody, or several
 * @property NoticeKind $kind
 * @property string $cause of one kind a cause is told once
 * @property string $words after the name of whoever did it, where somebody did
 * @property string $note what they wrote
 * @property string $page where one looks at it, below the installation's address
 * @property NoticeAbout $about
 * @property Carbon $created_at
 * @property ?Carbon $read_at
 * @property ?Carbon $over_at since then it is not so any more
 * @property ?Carbon $mailed_at
 * @property-read ?User $by
 */
final class Notice extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    /** @var array<int|string, string> */
    protected $casts = [
        'kind' => NoticeKind::class,
        'about' => 'array',
        'created_at' => 'datetime',
        'read_at' => 'datetime',
        'over_at' => 'datetime',
        'mailed_at' => 'datetime',
    ];

    /** @return BelongsTo<User, $this> */
    public function by(): BelongsTo
    {
        return $this->belongsTo(User::class, 'by_id');
    }
}
