<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

/** What there is to look at of something, as one text: equal where a rule can see no difference. */
final readonly class Likeness
{
    public string $text;

    /** @param  array<array-key, mixed>  $facts */
    public function __construct(array $facts)
    {
        $this->text = hash('xxh128', serialize($facts));
    }
}
