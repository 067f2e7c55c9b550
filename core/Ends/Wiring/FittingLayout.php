<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

use Sartal\Core\Given\Catalogue\Boot;
use Sartal\Core\Given\Catalogue\BuiltInSwitch;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Cavity;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\TerminalKind;
use Sartal\Core\Given\Installation\Fitting;

/**
 * A fitting with its inserts unfolded: one flat set of contacts, each under
 * its whole path ("2/hot" is contact "hot" of the insert in bay 2).
 */
final class FittingLayout
{
    /**
     * @param  array<int|string, Cavity>  $cavities  by address
     * @param  array<int|string, int>  $shells  address of every shell → wires it takes
     * @param  list<BuiltInSwitch>  $switches
     * @param  array<int|string, ConnectorType>  $types  path of an insert ("" for the connector itself) → its type
     * @param  list<string>  $unfit  inserts that their bay does not take, in words
     */
    private function __construct(
        public readonly array $cavities,
        public readonly array $shells,
        public readonly array $switches,
        public readonly array $types,
        public readonly array $unfit,
    ) {
    }

    public static function unfolded(Fitting $fitting, Catalogue $catalogue): ?self
    {
        $type = $catalogue->connector($fitting->connector);

        return $type === null ? null : self::unfold($type, $fitting->inserts, $catalogue);
    }

    /** @param  array<int|string, string>  $inserts  bay → connector type id */
    public static function ofType(ConnectorType $type, Catalogue $catalogue, array $inserts = []): self
    {
        return self::unfold($type, $inserts, $catalogue);
    }

    public function has(string $address): bool
    {
        return isset($this->cavities[$address]) || isset($this->shells[$address]);
    }

    /** How many wires may meet at an address. */
    public function wires(string $address): int
    {
        return ($this->cavities[$address] ?? null)?->takes() ?? ($this->shells[$address] ?? 0);
    }

    /** Whether its maker says how many wires its terminal takes. */
    public function statesWires(string $address): bool
    {
        return ($this->cavities[$address]->wires ?? null) !== null;
    }

    /** Without inserts. */
    public function isPlain(): bool
    {
        return count($this->types) === 1;
    }

    /** The connector or insert that an address belongs to. */
    public function typeAt(string $address): ConnectorType
    {
        if ($this->isPlain()) {
            return $this->types[''];
        }
        $slash = strrpos($address, '/');

        return $this->types[$slash === false ? '' : substr($address, 0, $slash)] ?? $this->types[''];
    }

    /** What kind of terminal an address is; null where nothing is said of it. */
    public function terminal(string $address): ?TerminalKind
    {
        $cavity = $this->cavities[$address] ?? null;

        return $cavity === null ? null : $this->typeAt($address)->cable->terminal($cavity);
    }

    /** @return list<string> every contact, then every shell */
    public function addresses(): array
    {
        return array_map(strval(...), [...array_keys($this->cavities), ...array_keys($this->shells)]);
    }

    /** @param  array<int|string, string>  $inserts */
    private static function unfold(ConnectorType $type, array $inserts, Catalogue $catalogue): self
    {
        if ($inserts === []) {
            // A type by itself never changes: what many fittings share is unfolded once.
            return $type->kept->once(self::class, '', static fn (): self => self::laidOut($type, [], $catalogue));
        }

        return self::laidOut($type, $inserts, $catalogue);
    }

    /** @param  array<int|string, string>  $inserts */
    private static function laidOut(ConnectorType $type, array $inserts, Catalogue $catalogue): self
    {
        $cavities = [];
        foreach ($type->cavities as $cavity) {
            $cavities[$cavity->address] = $cavity;
        }
        $shells = $type->conductiveShell ? [ConnectorType::SHELL => $type->shellWires] : [];
        $switches = $type->switches;
        $types = ['' => $type];
        $unfit = [];
        $bays = [];
        foreach ($type->bays as $bay) {
            $bays[$bay->name] = $bay;
        }
        foreach ($inserts as $name => $id) {
            $name = (string) $name;
            if (! isset($bays[$name]) && str_contains($name, '/') && isset($inserts[strstr($name, '/', true)])) {
                continue;
            }
            $bay = $bays[$name] ?? null;
            $insert = $catalogue->connector($id);
            if ($bay === null || $insert === null) {
                $unfit[] =
                    $bay === null ? sprintf('there is no bay %s', $name) : sprintf('insert type %s is unknown', $id);

                continue;
            }
            if ($insert->family !== $bay->accepts) {
                $unfit[] = sprintf('bay %s takes %s inserts, not %s', $name, $bay->accepts, $insert->family);
            } elseif ($bay->bareOnly && $insert->cable->boot === Boot::Moulded) {
                $unfit[] = sprintf('bay %s takes bare plugs, and the boot of %s is moulded on', $name, $insert->name);
            }
            // Inserts may have bays of their own: "bay/inner" names those.
            $inner = self::unfold($insert, self::within($inserts, $name), $catalogue);
            foreach ($inner->cavities as $address => $cavity) {
                $path = $name.'/'.$address;
                $cavities[$path] = new Cavity(
                    $path,
                    $cavity->face->plus($bay->centre),
                    $cavity->wiring->plus($bay->centre->mirrored()),
                    $cavity->terminal,
                    $cavity->wires,
                    $cavity->kind,
                );
            }
            foreach ($inner->shells as $address => $wires) {
                $shells[$name.'/'.$address] = $wires;
            }
            foreach ($inner->types as $path => $innerType) {
                $types[$path === '' ? $name : $name.'/'.$path] = $innerType;
            }
            foreach ($inner->switches as $switch) {
                $switches[] = new BuiltInSwitch(
                    $name.'/'.$switch->name,
                    self::prefixed($switch->atRest, $name),
                    self::prefixed($switch->operated, $name),
                );
            }
            $unfit = [...$unfit, ...$inner->unfit];
        }

        return new self($cavities, $shells, $switches, $types, $unfit);
    }

    /**
     * @param  array<int|string, string>  $inserts
     * @return array<int|string, string>
     */
    private static function within(array $inserts, string $bay): array
    {
        $inner = [];
        foreach ($inserts as $name => $id) {
            if (str_starts_with((string) $name, $bay.'/')) {
                $inner[substr((string) $name, strlen($bay) + 1)] = $id;
            }
        }

        return $inner;
    }

    /**
     * @param  list<array{string, string}>  $pairs
     * @return list<array{string, string}>
     */
    private static function prefixed(array $pairs, string $bay): array
    {
        return array_map(static fn (array $pair): array => [$bay.'/'.$pair[0], $bay.'/'.$pair[1]], $pairs);
    }
}
