<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Lean;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Worked;

/** How long something is to be cut, without the sum that led to it. */
final readonly class LengthToCut
{
    use Lean;

    /** @param  array<int, Length>  $earlier  by edition: of those that reckoned it otherwise */
    private function __construct(public Length $now, private array $earlier)
    {
    }

    public static function of(Worked $worked): self
    {
        $earlier = [];
        foreach (Edition::cases() as $edition) {
            $known = $worked->known($edition);
            if ($known->compare($worked->result) !== 0) {
                $earlier[$edition->value] = $known;
            }
        }

        return new self($worked->result, $earlier);
    }

    /** As an edition reckoned it. */
    public function known(Edition $edition): Length
    {
        return $this->earlier[$edition->value] ?? $this->now;
    }
}
