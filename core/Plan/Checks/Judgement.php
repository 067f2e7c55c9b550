<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Closure;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;

/** What is not right with what was decided: of one subject, or of all. Nothing is looked at that nobody asks about. */
final class Judgement
{
    private ?Checks $checks = null;

    /** @var ?list<Check> */
    private ?array $all = null;

    /** @var ?array<int|string, list<Check>> by the text of a subject that they may find something about */
    private ?array $about = null;

    /** @var ?list<Finding> */
    private ?array $findings = null;

    /** @param  Closure(): Checks  $make */
    public function __construct(private readonly Closure $make)
    {
    }

    /** @return list<Finding> all of them */
    public function findings(): array
    {
        if ($this->findings === null) {
            $this->look();
            $this->findings = [];
            foreach ($this->checks() as $check) {
                array_push($this->findings, ...$check->findings());
            }
        }

        return $this->findings;
    }

    /** @return list<Finding> */
    public function on(Subject $subject): array
    {
        $text = $subject->text();
        $found = [];
        foreach ($this->about()[$text] ?? [] as $check) {
            foreach ($check->findings() as $finding) {
                if ($finding->subject->text() === $text) {
                    $found[] = $finding;
                }
            }
        }

        return $found;
    }

    /**
     * All that may be found here and not there, of two plans of one setting: what follows from the same is not looked
     * at.
     *
     * @return list<Finding>
     */
    public function beside(self $other): array
    {
        $same = [];
        foreach ($other->checks() as $check) {
            $same[$check->follows] = true;
        }
        $found = [];
        foreach ($this->checks() as $check) {
            if (! isset($same[$check->follows])) {
                array_push($found, ...$check->findings());
            }
        }

        return $found;
    }

    /** @return list<Check> in the order in which findings are listed */
    public function checks(): array
    {
        $this->checks ??= ($this->make)();

        return $this->all ??= $this->checks->all();
    }

    /** Takes all looks, those at the same runs together: what they look at is there for one turn alone. */
    private function look(): void
    {
        $turns = [];
        foreach ($this->checks() as $check) {
            $turns[$check->turn][] = $check;
        }
        foreach ($turns as $turn => $checks) {
            foreach ($checks as $check) {
                $check->findings();
            }
            $this->checks?->leave($turn);
        }
    }

    /** @return array<int|string, list<Check>> */
    private function about(): array
    {
        if ($this->about === null) {
            $this->about = [];
            foreach ($this->checks() as $check) {
                foreach ($check->about as $subject) {
                    $this->about[$subject][] = $check;
                }
            }
        }

        return $this->about;
    }
}
