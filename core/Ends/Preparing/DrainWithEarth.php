<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Schools\MainsEnds;

/**
 * The drain of a mains element under one screw with protective earth: two conductors, one ferrule that is rated for
 * both, in a terminal whose maker lets two in. What is not known is refused. Source: common practice; the terminal's
 * leaflet and local code stand above it.
 */
final readonly class DrainWithEarth
{
    /** Wherever it is offered or done. */
    public const CAUTION = 'Mains can kill: a licensed person makes it, with nothing connected. '.
        'Local code and the terminal’s leaflet stand above what is offered here.';

    private WireFerrules $ferrules;

    public function __construct(Catalogue $catalogue, private HouseRules $rules)
    {
        $this->ferrules = new WireFerrules($catalogue, $rules);
    }

    /**
     * @param  string  $address  where protective earth goes
     * @param  string  $name  of the connector
     * @return list<string> what is against it, in sentences that say what to do; none where it may be made
     */
    public function against(
        Conductor $earth,
        Conductor $drain,
        FittingLayout $layout,
        string $address,
        string $name,
    ): array {
        $against = [];
        if (! $layout->statesWires($address)) {
            $against[] = sprintf(
                'Nobody has stated how many conductors contact %s of %s takes, and not known means no. '.
                'Choose a connector whose maker lets two in there.',
                $address,
                $name,
            );
        } elseif ($layout->wires($address) < 2) {
            $against[] = sprintf(
                'Contact %s of %s takes one conductor. Choose a connector whose maker lets two in there.',
                $address,
                $name,
            );
        }
        $together = $earth->gauge->area + $drain->gauge->area;
        $gauge = $layout->terminal($address)?->gauge;
        if ($gauge?->isTooThick($together) === true) {
            $against[] = sprintf(
                'Earth and drain are %.2f mm² together; contact %s of %s takes %s. Choose a larger connector.',
                $together,
                $address,
                $name,
                $gauge->text(),
            );
        }
        $finish = $this->rules->on(MainsEnds::class);
        if ($finish !== MainsEnds::Ferrule) {
            $against[] = sprintf(
                'The house finishes mains ends so: %s. Two under one screw want one ferrule: change the house rule, '.
                'or cut the drain off at both ends.',
                $finish->words(),
            );
        } elseif ($this->ferrules->onAll([$earth, $drain]) === null) {
            $against[] = sprintf(
                'No ferrule of the catalogue is rated for %s and %s together. Add one that is.',
                $earth->gauge->text,
                $drain->gauge->text,
            );
        }

        return $against;
    }
}
