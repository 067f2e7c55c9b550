<?php

declare(strict_types=1);

namespace App\Errands;

use App\Models\Errand;

/** How one kind of errand is done. */
interface Doing
{
    /**
     * Nothing of it stays where it does not come to its end.
     *
     * @return array<string, int|string> what whoever asked for it is led to
     *
     * @throws CalledOff
     */
    public function do(Errand $errand, Progress $progress): array;

    /** It is done, it failed, or nobody wants it any more: what was put down for it goes. */
    public function over(Errand $errand): void;
}
