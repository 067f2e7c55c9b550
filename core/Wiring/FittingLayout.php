<?php

declare(strict_types=1);

namespace Sartal\Core\Wiring;

use Sartal\Core\Catalogue\BuiltInSwitch;
use Sartal\Core\Catalogue\Catalogue;
use Sartal\Core\Catalogue\Cavity;
use Sartal\Core\Catalogue\ConnectorType;
use Sartal\Core\Installation\Fitting;

/**
 * A fitting with its inserts unfolded: one flat set of contacts, each under
 * its whole path ("2/hot" is contact "hot" of the insert in bay 2).
 */
final readonly class FittingLayout
{
    /**
     * @param  array<string, Cavity>  $cavities  by address
     * @param  array<string, int>  $shells  address of every shell → wires it takes
     * @param  list<BuiltInSwitch>  $switches
     * @param  list<string>  $unfit  inserts that their bay does not take, in words
     */
    private function __construct(
        public array $cavities,
        public array $shells,
        public array $switches,
        public array $unfit,
    ) {
    }

    public static function of(Fitting $fitting, Catalogue $catalogue): ?self
    {
        $type = $catalogue->connectors[$fitting->connector] ?? null;

        return $type === null ? null : self::unfold($type, $fitting->inserts, $catalogue);
    }

    public static function ofType(ConnectorType $type, Catalogue $catalogue): self
    {
        return self::unfold($type, [], $catalogue);
    }

    public function has(string $address): bool
    {
        return isset($this->cavities[$address]) || isset($this->shells[$address]);
    }

    /** How many wires may meet at an address. */
    public function wires(string $address): int
    {
        return $this->cavities[$address]->wires ?? $this->shells[$address] ?? 0;
    }

    /** @return list<string> every contact, then every shell */
    public function addresses(): array
    {
        return array_map(strval(...), [...array_keys($this->cavities), ...array_keys($this->shells)]);
    }

    /** @param  array<string, string>  $inserts */
    private static function unfold(ConnectorType $type, array $inserts, Catalogue $catalogue): self
    {
        $cavities = [];
        foreach ($type->cavities as $cavity) {
            $cavities[$cavity->address] = $cavity;
        }
        $shells = $type->conductiveShell ? [ConnectorType::SHELL => $type->shellWires] : [];
        $switches = $type->switches;
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
            $insert = $catalogue->connectors[$id] ?? null;
            if ($bay === null || $insert === null) {
                $unfit[] = $bay === null ? sprintf('there is no bay %s', $name) : sprintf('insert type %s is unknown', $id);

                continue;
            }
            if ($insert->family !== $bay->accepts) {
                $unfit[] = sprintf('bay %s takes %s inserts, not %s', $name, $bay->accepts, $insert->family);
            }
            // Inserts may have bays of their own: "bay/inner" names those.
            $inner = self::unfold($insert, self::within($inserts, $name), $catalogue);
            foreach ($inner->cavities as $address => $cavity) {
                $path = $name.'/'.$address;
                $cavities[$path] = new Cavity($path, $cavity->face->plus($bay->centre), $cavity->wiring->plus($bay->centre->mirrored()), $cavity->terminal, $cavity->wires);
            }
            foreach ($inner->shells as $address => $wires) {
                $shells[$name.'/'.$address] = $wires;
            }
            foreach ($inner->switches as $switch) {
                $switches[] = new BuiltInSwitch($name.'/'.$switch->name, self::prefixed($switch->atRest, $name), self::prefixed($switch->operated, $name));
            }
            $unfit = [...$unfit, ...$inner->unfit];
        }

        return new self($cavities, $shells, $switches, $unfit);
    }

    /**
     * @param  array<string, string>  $inserts
     * @return array<string, string>
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
