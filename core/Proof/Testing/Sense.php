<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Wiring;

/** What a method of testing makes of a wiring: a function from the wiring to what is shown. */
interface Sense
{
    /** @return list<string> everything that it can be asked of an assembly wired like this */
    public function questions(Wiring $good): array;

    /** @return list<string> nodes that the answer hangs on */
    public function nodes(string $at): array;

    /** @return list<string>|float|string a list is sorted; NAN where it cannot be said */
    public function answer(Wiring $wiring, string $at): array|float|string;

    /**
     * Whether a reading is the one expected, as near as the method can tell.
     *
     * @param  list<string>|float|string  $expected
     * @param  list<string>|float|string  $read
     */
    public function agree(array|float|string $expected, array|float|string $read): bool;
}
