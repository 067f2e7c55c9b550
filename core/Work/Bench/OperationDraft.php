<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Installation\Side;

/** Operations while they are being found: what needs what is added as it turns up. */
final class OperationDraft
{
    /** @var array<int|string, Operation> */
    private array $operations = [];

    /** @var array<int|string, array<int|string, string>> operation → what it needs → why */
    private array $needs = [];

    /** @return string its id */
    public function add(Operation $operation): string
    {
        $this->operations[$operation->id] ??= $operation;

        return $operation->id;
    }

    /** @param  string|list<string>  $before  ids; unknown ones are nothing to wait for */
    public function need(string $operation, string|array $before, string $why): void
    {
        foreach ((array) $before as $id) {
            if ($id !== '' && $id !== $operation) {
                $this->needs[$operation][$id] ??= $why;
            }
        }
    }

    public function has(string $id): bool
    {
        return isset($this->operations[$id]);
    }

    public function get(string $id): ?Operation
    {
        return $this->operations[$id] ?? null;
    }

    /** @return list<string> joints in which a run's end takes part */
    public function joinsAt(string $run, Side $side): array
    {
        $ids = [];
        foreach ($this->operations as $id => $operation) {
            $takesPart =
                $operation->run === $run ||
                array_filter($operation->cores, static fn (BenchCore $core): bool => $core->run === $run) !== [];
            if ($operation->task === Task::Join && $operation->side === $side && $takesPart) {
                $ids[] = (string) $id;
            }
        }

        return $ids;
    }

    /** @return list<Operation> as they were found, without what they need: for whoever asks what they were done by */
    public function found(): array
    {
        return array_values($this->operations);
    }

    /** @return list<Operation> */
    public function operations(): array
    {
        $made = [];
        foreach ($this->operations as $id => $operation) {
            $needs = [];
            foreach ($this->needs[$id] ?? [] as $before => $why) {
                if (isset($this->operations[$before])) {
                    $needs[] = new Prerequisite((string) $before, $why);
                }
            }
            $made[] = $operation->needing($needs);
        }

        return $made;
    }
}
