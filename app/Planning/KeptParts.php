<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Closure;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\KnownEnds;
use Sartal\Core\Work\Parts\LoomFacts;
use Sartal\Core\Work\Parts\PartsFacts;
use Sartal\Core\Work\Parts\PartsList;
use Sartal\Core\Work\Parts\PartsPlanner;
use Sartal\Core\Work\Parts\PlannedEnds;

/** Parts of everything: by facts that are kept until something is decided, and what was cut and thrown away since. */
final class KeptParts
{
    private ?PartsFacts $facts = null;

    private readonly string $state;

    private readonly KeptCuts $cuts;

    /** @param  Closure(): Loaded  $load  as it is decided */
    public function __construct(private readonly StoredInstallation $stored, private readonly Closure $load)
    {
        $this->state = Kept::state('parts', $stored->decisions);
        $this->cuts = KeptCuts::decided($stored, $load);
    }

    public function facts(): PartsFacts
    {
        return $this->facts ??= Kept::once(
            $this->stored,
            'parts decided',
            $this->state,
            function (): array {
                $loaded = ($this->load)();
                $make = fn (): PartsFacts => PartsFacts::of(
                    $loaded->installation,
                    $loaded->plan(),
                    $this->cuts->facts(),
                    $loaded->dresser(),
                );

                return ['facts' => Uncollected::run($make)];
            },
        )['facts'];
    }

    /** @param  bool  $whole  of what is done already as well */
    public function list(bool $whole): PartsList
    {
        $record = Recorded::stock($this->stored);
        $runs = $this->runs();
        $standings = $whole ? [] : KeptStandings::decided($this->stored, $this->load)->runs();
        $planner = new PartsPlanner(
            $this->cuts->facts(),
            $this->facts()->supplies,
            $this->ends($runs),
            /** @return list<Bead> */
            static fn (string $run): array => ($standings[$run] ?? null)->strand ?? [],
            $record,
        );
        $dress = array_map(static fn (LoomFacts $loom): array => $loom->dress, array_values($this->facts()->looms));

        return $planner->list($runs, array_merge(...$dress), $this->cuts->plan($record), $whole);
    }

    /** @return list<string> ids */
    public function runs(): array
    {
        return array_map(strval(...), array_keys($this->cuts->facts()->runs));
    }

    public function code(string $run): string
    {
        return $this->cuts->facts()->code($run);
    }

    public function loaded(): Loaded
    {
        return ($this->load)();
    }

    /** @param  list<string>  $runs */
    private function ends(array $runs): KnownEnds
    {
        /** @var KeptByRun<array<int|string, list<Ask>>> $kept */
        $kept = new KeptByRun($this->stored, 'what each end takes', $this->state);

        return new KnownEnds($kept->all($runs, function () use ($runs): array {
            $loaded = ($this->load)();

            return (new PlannedEnds($loaded->installation, $loaded->plan()))->all($runs);
        }));
    }
}
