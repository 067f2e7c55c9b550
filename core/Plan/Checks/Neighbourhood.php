<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Given\Findings\Subject;

/** What has to be seen together: assemblies, and others that carry a circuit of theirs. */
final readonly class Neighbourhood
{
    /**
     * @param  non-empty-list<Assembly>  $assemblies
     * @param  non-empty-list<string>  $runs  in the installation's order
     * @param  list<string>  $circuits  that they carry
     */
    public function __construct(public array $assemblies, public array $runs, public array $circuits)
    {
    }

    /** @return list<string> */
    public function fittings(): array
    {
        return array_merge(
            ...array_map(static fn (Assembly $assembly): array => $assembly->fittings, $this->assemblies),
        );
    }

    /** @return list<string> texts of all that it is made of */
    public function subjects(): array
    {
        return [
            ...array_map(static fn (string $run): string => Subject::run($run)->text(), $this->runs),
            ...array_map(static fn (string $fitting): string => Subject::fitting($fitting)->text(), $this->fittings()),
            ...array_map(static fn (string $circuit): string => Subject::circuit($circuit)->text(), $this->circuits),
        ];
    }
}
