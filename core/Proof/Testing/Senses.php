<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\Method;

/** Every method put to one assembly: what can be asked, what should be answered, and what a fault would make of it. */
final class Senses
{
    /** @var array<int|string, Sense> by method */
    private array $senses = [];

    /** @var array<int|string, Nearness> by method */
    private array $near = [];

    /** @var array<int|string, list<Question>> by method */
    private array $questions = [];

    /** @var array<int|string, array<int|string, true>> method → keys of its questions */
    private array $known = [];

    /** @var array<int|string, Wiring> by state */
    private array $inState = [];

    /** @var array<int|string, list<string>|float|string> by question */
    private array $expected = [];

    /** @var array<int|string, array<int|string, list<Question>>> method → node → questions that hang on it */
    private array $hanging = [];

    /** @param  array<int|string, SwitchState>  $states  by id, at rest left out */
    public function __construct(
        private readonly Wiring $good,
        private readonly TestSetup $setup,
        private readonly array $states,
    ) {
    }

    /** @return list<Question> */
    public function questions(Method $method): array
    {
        if (! isset($this->questions[$method->value])) {
            $questions = [];
            foreach ($method === Method::Switches ? array_keys($this->states) : [''] as $state) {
                $concerned = $method === Method::Switches ? $this->movedBy((string) $state) : null;
                foreach ($this->sense($method)->questions($this->good) as $at) {
                    if ($concerned === null || isset($concerned[$at])) {
                        $questions[] = new Question($method, $at, (string) $state);
                    }
                }
            }
            $this->questions[$method->value] = $questions;
        }

        return $this->questions[$method->value];
    }

    /**
     * What conducts to a switch, at rest or operated: the other lines are what
     * they were at rest, and one that moves something else does not move these.
     *
     * @return array<int|string, true>
     */
    private function movedBy(string $state): array
    {
        $moved = [];
        $operated = $this->wiring($state);
        foreach ($this->states[$state]->edit->edges as $edge) {
            foreach ($edge === null ? [] : [$edge->from, $edge->to] as $node) {
                $moved += $this->good->reach($node) + $operated->reach($node);
            }
        }

        return $moved;
    }

    /** What of the thing is asked; "" for the usual. */
    public function what(Question $question): string
    {
        return $this->sense($question->method)->what($question->at);
    }

    /** The same as it is said. */
    public function asks(Question $question): string
    {
        return $this->sense($question->method)->asks($question->at);
    }

    public function scale(Question $question): Scale
    {
        return $this->sense($question->method)->scale($question->at);
    }

    /** Whether its method is not answered as long as this is open. */
    public function counts(Question $question): bool
    {
        return $this->sense($question->method)->counts($question->at);
    }

    /** @return list<string> nodes that the answer hangs on */
    public function nodes(Question $question): array
    {
        return $this->sense($question->method)->nodes($question->at);
    }

    /**
     * Questions of a method that hang on any of these nodes.
     *
     * @param  array<int|string, true>  $nodes
     * @return list<Question>
     */
    public function about(Method $method, array $nodes): array
    {
        if (! isset($this->hanging[$method->value])) {
            $this->hanging[$method->value] = [];
            foreach ($this->questions($method) as $question) {
                foreach ($this->nodes($question) as $node) {
                    $this->hanging[$method->value][$node][] = $question;
                }
            }
        }
        $about = [];
        foreach (array_intersect_key($this->hanging[$method->value], $nodes) as $questions) {
            foreach ($questions as $question) {
                $about[$question->key()] = $question;
            }
        }

        return array_values($about);
    }

    /** @return list<string>|float|string */
    public function expected(Question $question): array|float|string
    {
        return $this->expected[$question->key()] ??= $this->sense($question->method)->answer(
            $this->wiring($question->state),
            $question->at,
        );
    }

    /**
     * @param  list<WiringEdit>  $faults  in the order in which they were made
     * @return list<string>|float|string
     */
    public function answer(Question $question, array $faults): array|float|string
    {
        $wiring = $this->wiring($question->state);
        foreach ($faults as $fault) {
            $wiring = $wiring->edited($fault);
        }

        return $this->sense($question->method)->answer($wiring, $question->at);
    }

    /**
     * What a wiring at rest answers, where that is at hand already.
     *
     * @return list<string>|float|string
     */
    public function answerOf(Wiring $wiring, Question $question): array|float|string
    {
        return $this->sense($question->method)->answer($wiring, $question->at);
    }

    /**
     * @param  list<string>|float|string  $expected
     * @param  list<string>|float|string  $read
     */
    public function agree(Question $question, array|float|string $expected, array|float|string $read): bool
    {
        $near = $this->near[$question->method->value] ??= Methods::card($question->method)->near;

        return $near->agree($expected, $read);
    }

    public function isWrong(Sample $sample): bool
    {
        return ! $this->agree($sample->question, $this->expected($sample->question), $sample->value);
    }

    /** Whether this is something that can be asked here. */
    public function knows(Question $question): bool
    {
        if (! isset($this->known[$question->method->value])) {
            $this->known[$question->method->value] = [];
            foreach ($this->questions($question->method) as $each) {
                $this->known[$question->method->value][$each->key()] = true;
            }
        }

        return isset($this->known[$question->method->value][$question->key()]);
    }

    public function wiring(string $state): Wiring
    {
        return $this->inState[$state] ??= isset($this->states[$state])
            ? $this->good->edited($this->states[$state]->edit)
            : $this->good;
    }

    private function sense(Method $method): Sense
    {
        return $this->senses[$method->value] ??= Methods::for($method, $this->setup);
    }
}
