import { TextInput, type TextInputProps } from 'react-native';

import { useTokens } from './theme';

/** The one text input: 48 px high, ink border, caution border when what it holds cannot be used. */
export function TextBox({
  bad = false,
  num = false,
  className = '',
  ...rest
}: TextInputProps & { bad?: boolean; num?: boolean }) {
  const t = useTokens();
  return (
    <TextInput
      {...rest}
      aria-invalid={bad}
      placeholderTextColor={t.ink2}
      className={`min-h-touch px-3 bg-panel border-[1.5px] rounded-card text-ink ${num ? 'font-num text-l w-[110px]' : 'font-body text-m'} ${bad ? 'border-caution' : 'border-ink2'} ${className}`}
    />
  );
}
