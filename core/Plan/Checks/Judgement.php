<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Closure;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;

/** What is not right with what was decided: of one subject, or of all. Nothing is looked at that nobody asks about. */
final class Judgement
{
    /** @var ?list<Check> */
    private ?array $checks = null;

    /** @var ?array<int|string, list<Check>> by the text of a subject that they may find something about */
    private ?array $about = null;

    /** @var ?list<Finding> */
    private ?array $findings = null;

    /** @var ?array<int|string, list<Finding>> by the text of their subject */
    private ?array $found = null;

    /** @param  Closure(): list<Check>  $all */
    public function __construct(private readonly Closure $all)
    {
    }

    /** @return list<Finding> all of them */
    public function findings(): array
    {
        return $this->findings ??= self::listed($this->checks());
    }

    /** @return list<Finding> */
    public function on(Subject $subject): array
    {
        $text = $subject->text();
        if ($this->findings !== null) {
            return $this->found()[$text] ?? [];
        }

        return array_values(
            array_filter(
                self::listed($this->about()[$text] ?? []),
                static fn (Finding $finding): bool => $finding->subject->text() === $text,
            ),
        );
    }

    /**
     * All that may be found here and not there, of two plans of one setting: what follows from the same is not looked
     * at.
     *
     * @param  ?list<string>  $among  runs of which something may be otherwise; null: any
     * @return list<Finding>
     */
    public function beside(self $other, ?array $among = null): array
    {
        $among = $among === null ? null : array_flip($among);
        $same = [];
        foreach ($other->checks() as $check) {
            if ($check->isOf($among)) {
                $same[$check->follows()] = true;
            }
        }

        return self::listed(
            array_values(
                array_filter(
                    $this->checks(),
                    static fn (Check $check): bool => $check->isOf($among) && ! isset($same[$check->follows()]),
                ),
            ),
        );
    }

    /**
     * @param  list<Check>  $checks
     * @return list<Finding> in the order in which they are listed
     */
    private static function listed(array $checks): array
    {
        $places = [];
        foreach ($checks as $check) {
            foreach ($check->findings() as $place => $findings) {
                $places[$place] ??= [];
                array_push($places[$place], ...$findings);
            }
        }
        ksort($places);

        return array_merge(...array_values($places));
    }

    /** @return array<int|string, list<Finding>> all of them, by the text of their subject */
    private function found(): array
    {
        if ($this->found === null) {
            $this->found = [];
            foreach ($this->findings() as $finding) {
                $this->found[$finding->subject->text()][] = $finding;
            }
        }

        return $this->found;
    }

    /** @return list<Check> */
    private function checks(): array
    {
        return $this->checks ??= ($this->all)();
    }

    /** @return array<int|string, list<Check>> */
    private function about(): array
    {
        if ($this->about === null) {
            $this->about = [];
            foreach ($this->checks() as $check) {
                foreach ($check->about() as $subject) {
                    $this->about[$subject][] = $check;
                }
            }
        }

        return $this->about;
    }
}
