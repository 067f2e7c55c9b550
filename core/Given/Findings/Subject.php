<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Findings;

use Sartal\Core\Given\Measure\Lean;

/** What a finding is about: a run, a way, a loom … by its id. */
final readonly class Subject
{
    use Lean;

    private function __construct(public SubjectKind $kind, public string $id)
    {
    }

    public static function run(string $id): self
    {
        return new self(SubjectKind::Run, $id);
    }

    public static function fitting(string $id): self
    {
        return new self(SubjectKind::Fitting, $id);
    }

    public static function circuit(string $id): self
    {
        return new self(SubjectKind::Circuit, $id);
    }

    public static function way(string $id): self
    {
        return new self(SubjectKind::Way, $id);
    }

    public static function loom(string $id): self
    {
        return new self(SubjectKind::Loom, $id);
    }

    public static function reel(string $id): self
    {
        return new self(SubjectKind::Reel, $id);
    }

    public static function plan(string $id): self
    {
        return new self(SubjectKind::ContactPlan, $id);
    }

    public static function equipment(string $id): self
    {
        return new self(SubjectKind::Equipment, $id);
    }

    public static function panel(string $id): self
    {
        return new self(SubjectKind::Panel, $id);
    }

    /** A cable type. */
    public static function cable(string $id): self
    {
        return new self(SubjectKind::Cable, $id);
    }

    /** As answers and exports have it: "run:M-201". */
    public function text(): string
    {
        return $this->kind->value.':'.$this->id;
    }
}
