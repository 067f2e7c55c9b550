<?php

declare(strict_types=1);

namespace App\Contract;

use App\Formats\BadLine;
use Illuminate\Http\UploadedFile;
use LogicException;
use Symfony\Component\TypeInfo\Type;
use Symfony\Component\TypeInfo\Type\BuiltinType;
use Symfony\Component\TypeInfo\Type\CollectionType;
use Symfony\Component\TypeInfo\Type\NullableType;
use Symfony\Component\TypeInfo\Type\ObjectType;
use Symfony\Component\TypeInfo\TypeIdentifier;

/** Makes of what a request carries an object of its shape, or says of every field what is wrong with it. */
final class ShapeDecoder
{
    private const LONGEST = 60;

    private Slips $slips;

    public function __construct(private readonly ShapeReader $shapes)
    {
        $this->slips = new Slips();
    }

    /**
     * @template T of Shape
     *
     * @param  class-string<T>  $shape
     * @param  bool  $isForm  where everything is text
     * @return T
     *
     * @throws BadLine with every field that is wrong
     */
    public function decode(string $shape, mixed $data, bool $isForm = false): Shape
    {
        $this->slips = new Slips();
        $made = $this->shape($shape, $data, '', $isForm);
        $this->slips->settle();

        return $made ?? throw BadLine::because('', '', 'Send an object.');
    }

    /**
     * @template T of Shape
     *
     * @param  class-string<T>  $shape
     * @return ?T
     */
    private function shape(string $shape, mixed $data, string $path, bool $isForm): ?Shape
    {
        if (! is_array($data) || ($data !== [] && array_is_list($data))) {
            return $this->wrong($path, $data, 'Send an object with named fields.');
        }
        $before = $this->slips->count();
        $with = [];
        foreach ($this->shapes->fields($shape) as $field) {
            $at = $path === '' ? $field->name : $path.'.'.$field->name;
            $value = $data[$field->name] ?? null;
            if ($value === null && ! $field->required && ! array_key_exists($field->name, $data)) {
                $with[] = $field->default;

                continue;
            }
            if ($value === null && ! $field->required && ! $field->type->isNullable()) {
                // A field that was emptied is as one that was left out.
                $with[] = $field->default;

                continue;
            }
            if ($value === null && $field->type->isNullable() && ! array_key_exists($field->name, $data)) {
                $with[] = $this->wrong($at, null, $field->text->remedy ?? 'Say what this is, or null.');

                continue;
            }
            $with[] = $this->value($field, $field->type, $value, $at, $isForm);
        }

        return $this->slips->count() === $before ? new $shape(...$with) : null;
    }

    private function value(Field $field, Type $type, mixed $value, string $at, bool $isForm): mixed
    {
        if ($type instanceof NullableType) {
            return $value === null ? null : $this->value($field, $type->getWrappedType(), $value, $at, $isForm);
        }
        if ($field->document !== null) {
            return $this->document($field->document, $value, $at);
        }
        if ($type instanceof CollectionType) {
            return $this->collection($field, $type->isList(), $type->getCollectionValueType(), $value, $at, $isForm);
        }
        $class = $type instanceof ObjectType ? $type->getClassName() : '';
        if (is_a($class, \BackedEnum::class, true)) {
            return $this->choice($class, $value, $at);
        }
        if ($class === UploadedFile::class) {
            return $value instanceof UploadedFile && $value->isValid()
                ? $value
                : $this->wrong($at, null, sprintf(
                    'Choose a file of at most %s; whoever runs this server can let it take more (SARTAL_UPLOAD_MB).',
                    ini_get('upload_max_filesize'),
                ));
        }
        if (is_a($class, Shape::class, true)) {
            return $this->shape($class, $value, $at, $isForm);
        }
        if (! ($type instanceof BuiltinType)) {
            throw new LogicException(sprintf('No request can carry %s (%s).', (string) $type, $at));
        }

        return match ($type->getTypeIdentifier()) {
            TypeIdentifier::STRING => $this->text($field->text ?? new Text(), $value, $at),
            TypeIdentifier::INT => $this->whole($field->whole ?? new Whole(), $value, $at, $isForm),
            TypeIdentifier::FLOAT => $this->number($value, $at, $isForm),
            TypeIdentifier::BOOL => $this->flag($value, $at, $isForm),
            TypeIdentifier::MIXED => $value,
            default => throw new LogicException(sprintf('No request can carry %s (%s).', (string) $type, $at)),
        };
    }

    private function text(Text $rule, mixed $value, string $at): ?string
    {
        $shown = $rule->secret ? null : $value;
        if ($value === null && $rule->min === 0) {
            return '';
        }
        if (! is_string($value)) {
            return $this->wrong($at, $shown, $rule->remedy === '' ? 'Write this as text.' : $rule->remedy);
        }
        $text = $rule->secret ? $value : trim($value);
        $length = mb_strlen($text);
        if ($length < $rule->min) {
            $more = $rule->min === 1 ? 'Write something here.' : sprintf('Use at least %d characters.', $rule->min);

            return $this->wrong($at, $shown, $rule->remedy === '' ? $more : $rule->remedy);
        }
        if ($length > $rule->max) {
            return $this->wrong($at, $shown, sprintf('Use at most %d characters; this has %d.', $rule->max, $length));
        }
        if (preg_match($rule->lines ? '~[^\P{Cc}\t\n\r]~u' : '~\p{Cc}~u', $text) === 1) {
            return $this->wrong($at, $shown, 'Leave out characters that cannot be seen (controls, line ends).');
        }
        if ($rule->pattern !== '' && preg_match('~^(?:'.$rule->pattern.')$~Du', $text) !== 1) {
            return $this->wrong(
                $at,
                $shown,
                $rule->remedy === '' ? sprintf('It has to be like %s.', $rule->pattern) : $rule->remedy,
            );
        }

        return $text;
    }

    private function whole(Whole $rule, mixed $value, string $at, bool $isForm): ?int
    {
        $number = $isForm && is_string($value) && preg_match('~^-?\d{1,10}$~D', $value) === 1 ? (int) $value : $value;
        if (! is_int($number) || $number < $rule->min || $number > $rule->max) {
            return $this->wrong(
                $at,
                $value,
                $rule->remedy === ''
                    ? sprintf('Send a whole number from %d to %d.', $rule->min, $rule->max)
                    : $rule->remedy,
            );
        }

        return $number;
    }

    private function number(mixed $value, string $at, bool $isForm): ?float
    {
        $number = $isForm && is_numeric($value) ? (float) $value : $value;

        return is_int($number) || (is_float($number) && is_finite($number))
            ? (float) $number
            : $this->wrong($at, $value, 'Send a number.');
    }

    private function flag(mixed $value, string $at, bool $isForm): ?bool
    {
        $said = $isForm
            ? match ($value) {
                '1', 'true', 'on' => true,
                '0', 'false', 'off', '', null => false,
                default => $value,
            }
            : $value;

        return is_bool($said) ? $said : $this->wrong($at, $value, 'Say true or false.');
    }

    /** @param  class-string<\BackedEnum>  $enum */
    private function choice(string $enum, mixed $value, string $at): ?\BackedEnum
    {
        $case = is_string($value) ? $enum::tryFrom($value) : null;
        $all = implode(', ', array_map(static fn (\BackedEnum $each): string => (string) $each->value, $enum::cases()));

        return $case ?? $this->wrong($at, $value, sprintf('Choose one of %s.', $all));
    }

    /** @return array<array-key, mixed>|null */
    private function collection(Field $field, bool $isList, Type $of, mixed $value, string $at, bool $isForm): ?array
    {
        $rule = $field->items ?? new Items(1000);
        $what = $isList ? 'a list' : 'a table by names';
        if (! is_array($value) || ($isList && ! array_is_list($value))) {
            return $this->wrong($at, $value, $rule->remedy === '' ? sprintf('Send %s.', $what) : $rule->remedy);
        }
        if (count($value) > $rule->max || count($value) < $rule->min) {
            return $this->wrong(
                $at,
                count($value),
                $rule->remedy === ''
                    ? sprintf('Send %s of %d to %d; this has %d.', $what, $rule->min, $rule->max, count($value))
                    : $rule->remedy,
            );
        }
        $all = [];
        foreach ($value as $key => $each) {
            $name = mb_substr((string) $key, 0, self::LONGEST);
            $all[$key] = $this->value($field, $of, $each, $at.'.'.$name, $isForm);
        }

        return $all;
    }

    /** @return array<array-key, mixed>|null */
    private function document(Document $rule, mixed $value, string $at): ?array
    {
        return is_array($value)
            ? $value
            : $this->wrong($at, $value, $rule->remedy === '' ? 'Send it as a file has it.' : $rule->remedy);
    }

    private function wrong(string $at, mixed $value, string $remedy): null
    {
        $said = match (true) {
            is_string($value) => $value,
            is_bool($value) => $value ? 'true' : 'false',
            is_int($value), is_float($value) => (string) $value,
            is_array($value) => 'a list or table',
            default => '',
        };
        $this->slips->add(
            $at,
            mb_strlen($said) > self::LONGEST ? mb_substr($said, 0, self::LONGEST).'…' : $said,
            $remedy,
        );

        return null;
    }
}
