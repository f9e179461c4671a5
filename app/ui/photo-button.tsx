import { CameraIcon } from '@phosphor-icons/react/dist/ssr/Camera';
import { Button, Upload } from 'antd';

/** Takes photographs with the camera where there is one, else chooses files. */
export function PhotoButton({
  label,
  onFiles,
  text,
}: {
  label: string;
  onFiles: (files: readonly File[]) => void;
  text?: string;
}) {
  return (
    <Upload
      aria-label={label}
      accept="image/*"
      capture="environment"
      multiple
      showUploadList={false}
      // called once for each file, with all of them: they are taken together, with the first
      beforeUpload={(file, all) => {
        if (file === all[0]) onFiles(all);
        return false;
      }}
    >
      <Button aria-label={label} icon={<CameraIcon size={20} aria-hidden />}>
        {text}
      </Button>
    </Upload>
  );
}
