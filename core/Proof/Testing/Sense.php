<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Method;

/**
 * What a method of testing makes of a wiring: a function from the wiring to
 * what is shown. All that is particular to a method is in its class; which
 * class it is stands in {@see Methods}.
 */
interface Sense
{
    /** Where one class is several methods, of which it speaks. */
    public static function card(Method $method): MethodCard;

    public static function for(Method $method, TestSetup $setup): self;

    /** @return list<string> everything that it can be asked of an assembly wired like this */
    public function questions(Wiring $good): array;

    /** @return list<string> nodes that the answer hangs on */
    public function nodes(string $at): array;

    /** @return list<string>|float|string a list is sorted; NAN where it cannot be said */
    public function answer(Wiring $wiring, string $at): array|float|string;

    /** What of the thing is asked, where one thing has several answers: "delay"; "" for the usual one. */
    public function what(string $at): string;

    /** The same as it is said; "" where the thing says it all. */
    public function asks(string $at): string;

    public function scale(string $at): Scale;

    /** Whether the method is not answered as long as this is open. */
    public function counts(string $at): bool;
}
