<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Conductor;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Element;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Measure\Length;

/** One leg of a cable in one connector, as the rules of fit look at it. */
final readonly class LegFit
{
    /** What tells elements apart that are alike. */
    private const NAMES = ['key' => true, 'label' => true, 'colour' => true, 'pole' => true, 'children' => true];

    private const PLACE = ['address' => true, 'face' => true, 'wiring' => true];

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

    /**
     * Null where a leg lands nowhere, or in something unknown, of which others speak.
     *
     * @param  list<Joint>  $joints  of its end
     */
    public static function of(Leg $leg, CableType $cable, array $joints, Installation $installation): ?self
    {
        $fitting = $installation->fitting($leg->landing->fitting ?? '');
        $layout = $fitting === null ? null : FittingLayout::unfolded($fitting, $installation->catalogue);
        if ($fitting === null || $layout === null) {
            return null;
        }
        $landed = [];
        $conductors = $cable->conductors();
        foreach ($joints as $joint) {
            $conductor = $joint->leg === $leg->id ? $conductors[$joint->conductor] ?? null : null;
            $address = $conductor === null ? '' : $joint->address();
            if ($conductor !== null && $layout->has($address)) {
                $landed[] = new Landed($conductor, $address);
            }
        }

        return new self($cable, $leg->elements, $layout, $landed, $installation->catalogue, $fitting->parts);
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
     * The same for all legs that every rule judges alike: whatever there is to
     * look at of cable, elements, contacts and parts, but for what only tells
     * one of them from its neighbour.
     */
    public function likeness(): string
    {
        $places = [];
        $parts = [
            $this->cable->id,
            $this->connector->id,
            implode(',', $this->chosen),
            implode(',', array_map(static fn (ConnectorType $type): string => $type->id, $this->layout->types)),
        ];
        foreach ($this->elements as $path) {
            $parts[] = $this->ofElement($path);
        }
        foreach ($this->landed as $each) {
            $parts[] = $places[$each->address] ??= count($places);
            $parts[] = $this->ofConductor($each->conductor);
            $parts[] = $this->ofCavity($each->address);
        }

        return hash('xxh128', implode("\n", $parts));
    }

    /** How such a cable is prepared, by which its connector names what makes its end. */
    public function prepares(): string
    {
        return $this->cable->prepares($this->elements[0] ?? '');
    }

    private function ofElement(string $path): string
    {
        return $this->cable->kept->once(
            Likeness::class,
            'element '.$path,
            fn (): Likeness => new Likeness([
                $path === '',
                $this->cable->prepares($path),
                $this->cable->diameter($path)?->nanometres,
                self::facts($this->cable->element($path), self::NAMES),
            ]),
        )->text;
    }

    private function ofConductor(Conductor $conductor): string
    {
        return $this->cable->kept->once(
            Likeness::class,
            'conductor '.$conductor->path,
            static fn (): Likeness => new Likeness([
                self::facts($conductor->element, self::NAMES),
                $conductor->gauge->text,
                $conductor->domain,
            ]),
        )->text;
    }

    private function ofCavity(string $address): string
    {
        $cavity = $this->layout->cavities[$address] ?? null;

        return $cavity === null
            ? ''
            : $this->layout->types['']->kept->once(
                Likeness::class,
                $this->connector->id.' '.$address.' '.$cavity->kind.' '.$cavity->terminal,
                static fn (): Likeness => new Likeness(self::facts($cavity, self::PLACE)),
            )->text;
    }

    /**
     * @param  array<string, true>  $except
     * @return array<array-key, mixed>
     */
    private static function facts(?object $of, array $except): array
    {
        $facts = $of === null ? [] : array_diff_key(get_object_vars($of), $except);
        $within = [];
        foreach ($of instanceof Element ? $of->children : [] as $child) {
            $within[] = self::facts($child, $except);
        }

        return [...$facts, 'within' => $within];
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
