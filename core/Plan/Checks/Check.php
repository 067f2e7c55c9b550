<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Closure;
use Sartal\Core\Given\Findings\Finding;

/** One look at a plan, taken when somebody asks: what it is about, and what it finds. */
final class Check
{
    /** @var ?list<Finding> */
    private ?array $findings = null;

    /**
     * @param  string  $follows  what it follows from: the same in another plan of one setting, the same findings but
     *     for their remedies
     * @param  list<string>  $about  texts of all subjects that it may find something about
     * @param  Closure(): list<Finding>  $look
     * @param  int  $turn  looks that are taken at the same runs have the same; -1: at none, or at any
     */
    public function __construct(
        public readonly string $follows,
        public readonly array $about,
        private readonly Closure $look,
        public readonly int $turn = -1,
    ) {
    }

    /** Something that is known without a look. */
    public static function known(Finding $finding): self
    {
        return new self(
            'known '.$finding->code.' '.$finding->subject->text().' '.$finding->words,
            [$finding->subject->text()],
            static fn (): array => [$finding],
        );
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        return $this->findings ??= ($this->look)();
    }
}
