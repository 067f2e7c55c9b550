<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** Where wires are joined, as decisions and files spell it: "fitting/address" of a contact, or "splice:id". */
final readonly class JoiningPlace
{
    private const SPLICE = 'splice:';

    private const WITHIN = '/';

    /**
     * @param  string  $fitting  id; "" of a splice
     * @param  string  $address  of the contact within it, which may hold a stroke itself; "" of a splice
     * @param  string  $splice  id; "" of a contact
     */
    private function __construct(public string $fitting, public string $address, public string $splice)
    {
    }

    public static function contact(string $fitting, string $address): self
    {
        return new self($fitting, $address, '');
    }

    public static function splice(string $id): self
    {
        return new self('', '', $id);
    }

    /** What names no contact has none: "" for it. */
    public static function from(string $text): self
    {
        if (str_starts_with($text, self::SPLICE)) {
            return self::splice(substr($text, strlen(self::SPLICE)));
        }
        [$fitting, $address] = [...explode(self::WITHIN, $text, 2), ''];

        return self::contact($fitting, $address);
    }

    public function isSplice(): bool
    {
        return $this->splice !== '';
    }

    public function text(): string
    {
        return $this->isSplice() ? self::SPLICE.$this->splice : $this->fitting.self::WITHIN.$this->address;
    }

    /**
     * The same place where connectors and splices are called otherwise.
     *
     * @param  array<int|string, string>  $fittings  id → there
     * @param  array<int|string, string>  $splices  id → there
     * @return ?self null where it is of none of them
     */
    public function renamed(array $fittings, array $splices): ?self
    {
        if ($this->isSplice()) {
            return isset($splices[$this->splice]) ? self::splice($splices[$this->splice]) : null;
        }

        return isset($fittings[$this->fitting]) ? self::contact($fittings[$this->fitting], $this->address) : null;
    }
}
