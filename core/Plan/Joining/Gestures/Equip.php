<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining\Gestures;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;

/** A connector is called otherwise, or takes other inserts in its bays. */
final readonly class Equip implements Gesture
{
    /**
     * @param  ?string  $label  null: as it is
     * @param  ?array<int|string, string>  $inserts  bay → connector type id; "" nothing; bays that are not named stay
     */
    public function __construct(private string $fitting, private ?string $label = null, private ?array $inserts = null)
    {
    }

    public function draw(Sketch $on): void
    {
        $fitting = $on->fitting($this->fitting);
        if ($this->label !== null) {
            $fitting = trim($this->label) === ''
                ? throw CannotJoin::because('label', '', 'A connector needs a name. Write one.')
                : $fitting->named(trim($this->label));
        }
        if ($this->inserts !== null) {
            $fitting = $this->equipped($on, $fitting, $this->inserts);
        }
        $on->putFitting($fitting);
    }

    public function words(Installation $in): string
    {
        return sprintf(
            '%s %s',
            $in->fitting($this->fitting)->label ?? $this->fitting,
            $this->inserts === null ? 'named '.$this->label : 'equipped with other inserts',
        );
    }

    /**
     * @param  array<int|string, string>  $inserts
     *
     * @throws CannotJoin
     */
    private function equipped(Sketch $on, Fitting $fitting, array $inserts): Fitting
    {
        $next = $fitting->holding(array_filter(
            array_replace($fitting->inserts, $inserts),
            static fn (string $insert): bool => $insert !== '',
        ));
        $layout = FittingLayout::unfolded($next, $on->now()->catalogue);
        if ($layout === null || $layout->unfit !== []) {
            throw CannotJoin::because(
                'inserts',
                implode(', ', $inserts),
                sprintf('%s: %s.', $fitting->label, $layout->unfit[0] ?? 'its connector type is unknown'),
            );
        }
        foreach ($on->now()->runs() as $run) {
            $comes = ! $run->withdrawn && in_array($fitting->id, $run->fittings(), true);
            foreach ($comes ? Side::cases() : [] as $side) {
                foreach ($on->pinout(new RunEnd($run->id, $side))->joints as $joint) {
                    if (Node::fitting($joint->to) === $fitting->id && ! $layout->has($joint->address())) {
                        throw CannotJoin::because('inserts', $joint->address(), sprintf(
                            '%s comes to contact %s, which it would not have any more. Take that off first.',
                            $run->code,
                            $joint->address(),
                        ));
                    }
                }
            }
        }

        return $next;
    }
}
