<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Closure;
use Sartal\Core\Given\Findings\Finding;

/** One look at a plan, taken when somebody asks: what it is about, and what it finds. */
final class Check
{
    /** @var ?array<int, list<Finding>> */
    private ?array $findings = null;

    /**
     * @param  Closure(): string  $follows  what it follows from: the same in another plan of one setting, the same
     *     findings but for their remedies
     * @param  Closure(): list<string>  $about  texts of all subjects that it may find something about
     * @param  Closure(): array<int, list<Finding>>  $look  by their place among what is listed: lower first
     * @param  list<string>  $runs  that are looked at
     */
    public function __construct(
        private readonly Closure $follows,
        private readonly Closure $about,
        private readonly Closure $look,
        public readonly array $runs = [],
    ) {
    }

    /** Something that is known without a look. */
    public static function known(Listed $as, Finding $finding): self
    {
        return new self(
            static fn (): string => 'known '.$finding->code.' '.$finding->subject->text().' '.$finding->words,
            static fn (): array => [$finding->subject->text()],
            static fn (): array => [$as->place() => [$finding]],
        );
    }

    public function follows(): string
    {
        return ($this->follows)();
    }

    /** @param  ?array<int|string, mixed>  $runs  by run, one of which is to be looked at, where runs are; null: any */
    public function isOf(?array $runs): bool
    {
        return $runs === null || $this->runs === [] || array_intersect_key(array_flip($this->runs), $runs) !== [];
    }

    /** @return list<string> */
    public function about(): array
    {
        return ($this->about)();
    }

    /** @return array<int, list<Finding>> by their place among what is listed: lower first */
    public function findings(): array
    {
        return $this->findings ??= ($this->look)();
    }
}
