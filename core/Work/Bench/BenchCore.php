<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Preparing\CoreCut;
use Sartal\Core\Given\Catalogue\CableType;

/** One wire on its way to a contact, as somebody at the vice knows it. */
final readonly class BenchCore
{
    /**
     * @param  string  $conductor  path in the cable
     * @param  string  $colour  with its stripe after a slash; "" where the type says none
     * @param  string  $element  what it lies in, "pair 15"
     * @param  string  $to  node that it is joined to; "" where the work is the same whichever that is
     */
    public function __construct(
        public string $run,
        public string $conductor,
        public string $colour,
        public string $element,
        public string $function,
        public string $channel,
        public string $to = '',
    ) {
    }

    public static function from(CoreCut $core, CableType $cable): self
    {
        $path = $core->joint->conductor;
        $slash = strrpos($path, '/');
        $within = $slash === false ? null : $cable->element(substr($path, 0, $slash));

        return new self(
            $core->joint->run,
            $path,
            $cable->element($path)->colour ?? '',
            $within->label ?? '',
            $core->joint->function,
            $core->joint->channel,
            $core->joint->to,
        );
    }
}
