<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** Why something was decided: a note, and photos of what made one decide it so. */
final readonly class Why
{
    public const ALL = 'all';

    /**
     * @param  string  $id  of the decision: its kind, a dot, its own id ("run.M-201"); of what there is one of, ALL
     * @param  list<string>  $pictures  names of photos
     * @param  string  $by  name
     * @param  string  $at  ISO 8601
     */
    public function __construct(
        public string $id,
        public string $note,
        public array $pictures,
        public string $by,
        public string $at,
    ) {
    }

    /** Neither said nor shown: there is no reason any more. */
    public function isSilent(): bool
    {
        return $this->note === '' && $this->pictures === [];
    }

    public static function idOf(string $kind, string $of): string
    {
        return $kind.'.'.$of;
    }

    /** What kind of decision it is of. */
    public function kind(): string
    {
        return explode('.', $this->id, 2)[0];
    }

    /** Id of the decision; ALL where the installation has one of its kind. */
    public function of(): string
    {
        return explode('.', $this->id, 2)[1] ?? '';
    }
}
