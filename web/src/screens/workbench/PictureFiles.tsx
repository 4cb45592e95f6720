import { Image } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import { Still } from "../../figure/Still";
import type { Turn, ViewName } from "../../figure/view";
import { keepDrawing } from "../../share/picture";
import { useUnits } from "../../state/units";
import { Menu } from "../../ui/Menu";
import type { Model } from "./useModel";

const Aside = styled.div`
  position: fixed;
  left: -4000px;
  top: 0;
`;

type Props = { good: NonNullable<Model["good"]>; scene: NonNullable<Model["scene"]>; viewName: ViewName; turn: Turn };

/** The picture as it stands, to be kept as a file. */
export function PictureFiles({ good, scene, viewName, turn }: Props) {
  const units = useUnits();
  const [wanted, setWanted] = useState<"svg" | "png" | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const { name } = good.document;
  useEffect(() => {
    const drawing = box.current?.querySelector("svg");
    if (!wanted || !drawing) return;
    void keepDrawing(drawing, `${name}, ${viewName}`, wanted).then(() => setWanted(null));
  }, [wanted, name, viewName]);
  return (
    <>
      <Menu
        label="Export the picture"
        actions={[
          { label: "Export as SVG", run: () => setWanted("svg") },
          { label: "Export as PNG", run: () => setWanted("png") },
        ]}
      >
        <Image size={15} aria-hidden />
      </Menu>
      {wanted && (
        <Aside ref={box} aria-hidden>
          <Still
            document={good.document}
            report={good.report}
            scene={scene}
            viewName={viewName}
            viewTurn={turn}
            units={units}
            width={960}
            height={720}
          />
        </Aside>
      )}
    </>
  );
}
