<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Pinout;

/** Two contacts that meet when halves mate, and what each plan has on its own. */
final readonly class ContactPair
{
    /**
     * @param  string  $own  "3 hot"; "" where the plan leaves the contact free
     */
    public function __construct(
        public string $address,
        public string $own,
        public string $opposite,
        public string $theirs,
    ) {
    }

    public function agrees(): bool
    {
        return $this->own === $this->theirs;
    }
}
