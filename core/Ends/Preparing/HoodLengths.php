<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\HoodExit;
use Sartal\Core\Given\Catalogue\Point;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;

/** How far it is inside a hood from where the cable enters to each terminal. Source: geometry of the connector type. */
final readonly class HoodLengths
{
    public function __construct(private FittingLayout $layout, private HoodExit $exit)
    {
    }

    /** From the exit to a terminal; null where the connector has no such contact. */
    public function to(string $address): ?Worked
    {
        $cavity = $this->layout->cavities[$address] ?? null;

        return $cavity === null ? null : $this->worked('contact '.$address, $cavity->wiring);
    }

    /**
     * From the exit to the middle of several terminals.
     *
     * @param  non-empty-list<string>  $addresses
     */
    public function toMiddleOf(array $addresses, string $name): Worked
    {
        [$x, $y] = [0.0, 0.0];
        foreach ($addresses as $address) {
            $at = $this->layout->cavities[$address]->wiring ?? new Point(0, 0);
            $x += $at->x / count($addresses);
            $y += $at->y / count($addresses);
        }

        return $this->worked($name, new Point($x, $y));
    }

    private function worked(string $name, Point $place): Worked
    {
        $across = Length::millimetres(round(hypot($place->x - $this->exit->at->x, $place->y - $this->exit->at->y), 3));

        return Worked::sum([
            new Term('in', 'exit '.$this->exit->name, $this->exit->depth, 'connector type'),
            new Term('across', 'to '.$name, $across, 'places of exit and terminal'),
        ]);
    }
}
