<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;

/** Some of a cable's elements that leave the sheath together, with a length and a label of their own. */
final readonly class Leg
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  list<string>  $elements  paths in the cable's construction; "" is the whole of it
     * @param  Length  $length  from the end of the sheath; nothing where the sheath reaches the fitting
     * @param  string  $procedure  how it is made; "" as its connector has it for such a cable
     * @param  bool  $onEquipment  how far it has to reach is measured on the equipment itself before it is cut
     * @param  ?Length  $measured  what was measured there, from where it leaves the sheath; null: not yet
     * @param  ?string  $sleeve  part that it is sleeved with by itself; "" whichever goes round it; null: none
     */
    public function __construct(
        public string $id,
        public string $label,
        public array $elements,
        public Length $length,
        public ?Landing $landing,
        public string $procedure = '',
        public bool $onEquipment = false,
        public ?Length $measured = null,
        public ?string $sleeve = null,
    ) {
    }

    /** @param  list<string>  $elements */
    public function holding(array $elements, ?Landing $landing): self
    {
        return $this->copy(['elements' => $elements, 'landing' => $landing]);
    }

    public function named(string $id, string $label): self
    {
        return $this->copy(['id' => $id, 'label' => $label]);
    }

    public function withLength(Length $length): self
    {
        return $this->copy(['length' => $length]);
    }

    public function madeBy(string $procedure): self
    {
        return $this->copy(['procedure' => $procedure]);
    }

    /** @param  ?string  $sleeve  part; "" whichever goes round it; null: none */
    public function sleevedWith(?string $sleeve): self
    {
        return $this->copy(['sleeve' => $sleeve]);
    }

    /** @param  ?Length  $measured  null: nobody has yet */
    public function reaching(bool $onEquipment, ?Length $measured): self
    {
        return $this->copy(['onEquipment' => $onEquipment, 'measured' => $onEquipment ? $measured : null]);
    }
}
