<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Measure\Length;

/** One leg of a cable in one connector, as the rules of fit look at it. */
final readonly class LegFit
{
    /** The connector, or the insert that the leg goes to by itself. */
    public ConnectorType $connector;

    /**
     * @param  list<string>  $elements  paths of what the leg is made of; "" for the whole cable
     * @param  list<Landed>  $landed
     * @param  list<string>  $chosen  ids of parts chosen by hand for the fitting
     */
    public function __construct(
        public CableType $cable,
        public array $elements,
        public FittingLayout $layout,
        public array $landed,
        public Catalogue $catalogue,
        public array $chosen = [],
    ) {
        $types = [];
        foreach ($layout->isPlain() ? [] : $landed as $each) {
            $type = $layout->typeAt($each->address);
            $types[$type->id] = $type;
        }
        $this->connector = count($types) === 1 ? reset($types) : $layout->types[''];
    }

    /** Over the leg; null where the cable type does not say. */
    public function diameter(): ?Length
    {
        return count($this->elements) === 1 ? $this->cable->diameter($this->elements[0]) : null;
    }

    public function name(): string
    {
        $element = $this->cable->element($this->elements[0] ?? '');

        return $element === null || $element === $this->cable->construction
            ? $this->cable->name
            : sprintf('a %s of %s', $element->kind->value, $this->cable->name);
    }

    /** Whether a screen of any kind comes with the leg. */
    public function isScreened(): bool
    {
        foreach ($this->elements as $element) {
            foreach ($this->cable->conductorsWithin($element) as $conductor) {
                if ($conductor->isBare()) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Parts of a kind that the connector is meant to take: the one that was
     * chosen by hand, else all that it lists.
     *
     * @param  list<string>  $listed
     * @return list<Part>
     */
    public function parts(PartKind $kind, array $listed): array
    {
        $parts = [];
        foreach ($this->chosen as $id) {
            $part = $this->catalogue->part($id);
            if ($part?->kind === $kind) {
                $parts[] = $part;
            }
        }
        foreach ($parts === [] ? $listed : [] as $id) {
            $part = $this->catalogue->part($id);
            if ($part !== null) {
                $parts[] = $part;
            }
        }

        return $parts;
    }
}
