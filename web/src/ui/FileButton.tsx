import styled from "styled-components";

const Look = styled.label`
  display: inline-flex;
  align-items: center;
  min-height: max(30px, var(--target));
  padding: 4px 12px;
  border: 1px solid var(--line);
  border-radius: 6px;
  font-weight: 500;
  cursor: pointer;
  &:focus-within { outline: 2px solid var(--slate); outline-offset: 2px; }
  input { position: absolute; width: 1px; height: 1px; opacity: 0; }
`;

type Props = {
  children: string;
  accept: string;
  /** What it is called where the text alone does not say; the text unless given. */
  label?: string;
  open: (file: File) => void;
};

/** Opens a file; the same one can be opened again. */
export function FileButton({ children, accept, label, open }: Props) {
  return (
    <Look>
      {children}
      <input
        type="file"
        accept={accept}
        aria-label={label}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) open(file);
          e.target.value = "";
        }}
      />
    </Look>
  );
}
