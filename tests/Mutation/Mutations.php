<?php

declare(strict_types=1);

namespace Tests\Mutation;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Expr\BinaryOp;
use PhpParser\Node\Scalar;
use PhpParser\Node\Stmt;
use PhpParser\NodeVisitorAbstract;

/**
 * Every change that could be made to one file, by a fixed list of operators:
 * arithmetic, comparison and its boundary, logic, returns, calls left out,
 * numbers off by one. What is said in words is left alone.
 */
final class Mutations extends NodeVisitorAbstract
{
    private const SWAPS = [
        BinaryOp\Plus::class => ['-', 'arithmetic'],
        BinaryOp\Minus::class => ['+', 'arithmetic'],
        BinaryOp\Mul::class => ['/', 'arithmetic'],
        BinaryOp\Div::class => ['*', 'arithmetic'],
        BinaryOp\Smaller::class => ['<=', 'boundary'],
        BinaryOp\SmallerOrEqual::class => ['<', 'boundary'],
        BinaryOp\Greater::class => ['>=', 'boundary'],
        BinaryOp\GreaterOrEqual::class => ['>', 'boundary'],
        BinaryOp\Identical::class => ['!==', 'comparison'],
        BinaryOp\NotIdentical::class => ['===', 'comparison'],
        BinaryOp\BooleanAnd::class => ['||', 'logic'],
        BinaryOp\BooleanOr::class => ['&&', 'logic'],
    ];

    /** @var list<Mutant> */
    public array $found = [];

    public function __construct(private readonly string $file, private readonly string $source)
    {
    }

    public function enterNode(Node $node): ?int
    {
        // What is thrown is said in words; attributes and constants of an enum are names.
        if (
            $node instanceof Expr\Throw_ ||
            $node instanceof Node\Attribute ||
            $node instanceof Stmt\EnumCase ||
            $node instanceof Stmt\Declare_
        ) {
            return self::DONT_TRAVERSE_CHILDREN;
        }
        match (true) {
            $node instanceof BinaryOp => $this->binary($node),
            $node instanceof Expr\BooleanNot => $this->replace($node, $this->text($node->expr), 'logic'),
            $node instanceof Expr\Ternary && $node->if !== null => $this->ternary($node, $node->if),
            $node instanceof Stmt\Return_ && $node->expr !== null => $this->returned($node, $node->expr),
            $node instanceof Stmt\Expression && $node->expr instanceof Expr\MethodCall => $this->replace(
                $node,
                ';',
                'call left out',
            ),
            $node instanceof Stmt\If_ => $this->replace(
                $node->cond,
                '! ('.$this->text($node->cond).')',
                'condition',
            ),
            $node instanceof Stmt\Continue_ => $this->replace($node, 'break;', 'loop'),
            $node instanceof Scalar\Int_ => $this->number($node),
            default => null,
        };

        return null;
    }

    private function binary(BinaryOp $node): void
    {
        if ($node instanceof BinaryOp\Coalesce) {
            $this->replace($node, '('.$this->text($node->right).')', 'default');

            return;
        }
        [$with, $operator] = self::SWAPS[$node::class] ?? ['', ''];
        // Of arrays and words a plus is something else.
        $isSum = $node->right instanceof Expr\Array_ || $node->left instanceof Expr\Array_;
        if ($with !== '' && ! ($operator === 'arithmetic' && $isSum)) {
            // Brackets stand between the operands: only what joins them is another.
            $from = $node->left->getEndFilePos() + 1;
            $between = substr($this->source, $from, $node->right->getStartFilePos() - $from);
            $at = $from + (int) strpos($between, $node->getOperatorSigil());
            $start = $node->getStartFilePos();
            $rest = $at + strlen($node->getOperatorSigil());
            $changed =
                substr($this->source, $start, $at - $start).
                $with.
                substr($this->source, $rest, $node->getEndFilePos() + 1 - $rest);
            $this->replace($node, $changed, $operator);
        }
    }

    private function ternary(Expr\Ternary $node, Expr $if): void
    {
        $swapped = sprintf('(%s) ? (%s) : (%s)', $this->text($node->cond), $this->text($node->else), $this->text($if));
        $this->replace($node, $swapped, 'condition');
    }

    private function returned(Stmt\Return_ $node, Expr $of): void
    {
        $name = $of instanceof Expr\ConstFetch ? $of->name->toLowerString() : '';
        $with = match (true) {
            $name === 'true' => 'false',
            $name === 'false' => 'true',
            $of instanceof Expr\Array_ && $of->items !== [] => '[]',
            $of instanceof BinaryOp\BooleanAnd, $of instanceof BinaryOp\BooleanOr => '! ('.$this->text($of).')',
            default => '',
        };
        if ($with !== '') {
            $this->replace($of, $with, 'return');
        }
    }

    private function number(Scalar\Int_ $node): void
    {
        $this->replace($node, (string) ($node->value + 1), 'number');
    }

    private function replace(Node $node, string $with, string $operator): void
    {
        $this->found[] = new Mutant(
            $this->file,
            $node->getStartLine(),
            $node->getStartFilePos(),
            $node->getEndFilePos() + 1,
            $with,
            $operator,
        );
    }

    private function text(Node $node): string
    {
        return substr($this->source, $node->getStartFilePos(), $node->getEndFilePos() + 1 - $node->getStartFilePos());
    }
}
