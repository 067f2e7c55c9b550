<?php

declare(strict_types=1);

namespace App\Changes;

use App\Models\Change;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\Loaded;
use Sartal\Core\Given\Catalogue\Catalogue;

/** Something that somebody decides: all of its edits, or none of them. */
final readonly class Decision
{
    /**
     * @param  string  $words  what it is, as the log says it
     * @param  list<Edit>  $edits
     * @param  ?Catalogue  $pins  types that come into use; once pinned they stay, whatever is undone
     * @param  ?Change  $undoes  the change that it takes back
     * @param  ?Loaded  $on  the installation as it was read for this, so that it is not read again
     * @param  ?array<array-key, mixed>  $typed  by the person, to be given back where the write is stale; null: the
     *     edit itself
     * @param  string  $part  of the shape that the person sees, where that is not all of it
     * @param  string  $ifStale  what to do then, where laying both versions side by side does not help
     */
    public function __construct(
        public StoredInstallation $in,
        public Author $by,
        public string $words,
        public array $edits,
        public ?Catalogue $pins = null,
        public ?Change $undoes = null,
        public ?Loaded $on = null,
        public ?array $typed = null,
        public string $part = '',
        public string $ifStale = '',
    ) {
    }

    /** @param  list<Edit>  $edits */
    public static function on(Loaded $loaded, Author $by, string $words, array $edits, mixed ...$more): self
    {
        return new self(
            ...[
                ...['in' => $loaded->stored, 'by' => $by, 'words' => $words, 'edits' => $edits, 'on' => $loaded],
                ...$more,
            ],
        );
    }

    /** The same, of an installation that was read since. */
    public function reading(Loaded $on): self
    {
        return new self(...['on' => $on] + get_object_vars($this));
    }

    /** Whether anything that is done can rely on what it changes. */
    public function canOvertake(): bool
    {
        return array_filter($this->edits, static fn (Edit $edit): bool => $edit->kind->overtakes()) !== [];
    }
}
