declare const unit: unique symbol;

/** A number or string that carries its unit in its type, so that litres cannot be passed for millilitres. */
export type Brand<Base, Name extends string> = Base & { readonly [unit]: Name };
